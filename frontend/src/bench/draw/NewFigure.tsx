/** A new figure under the pointer: dragged from corner to corner, or pressed point by point. */
import { useEffect, useRef, useState } from "react";

import type { ArtworkShown } from "@/shared/api/types";

import { bench, useBench, useWorkbench, type DrawingTool } from "../bench";
import type { View } from "./view";
import { placesOf, round, snapShift } from "./snap";

type Figure = Exclude<DrawingTool, "choose">;
type Point = [number, number];

/** Pressing this near the first point closes the line, px. */
const CLOSING = 9;

interface Props {
  artwork: ArtworkShown;
  view: View;
  figure: Figure;
}

export function NewFigure({ artwork, view, figure }: Props) {
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const [points, setPoints] = useState<Point[]>([]);
  const [here, setHere] = useState<Point | null>(null);
  const area = useRef<SVGRectElement>(null);
  const dragged = figure === "disc" || figure === "rectangle";

  const placeOf = (event: React.PointerEvent): Point => {
    const box = area.current!.getBoundingClientRect();
    const x = (event.clientX - box.left - view.x) / view.zoom;
    const y = (event.clientY - box.top - view.y) / view.zoom;
    if (event.altKey) return [round(x), round(y)];
    const places = placesOf(artwork);
    return [round(x + snapShift([x], places.along, view.zoom)), round(y + snapShift([y], places.across, view.zoom))];
  };

  const draw = async (at: readonly Point[], closed: boolean) => {
    setPoints([]);
    if (at.length < 2) return;
    const made = {
      kind: "add-figure",
      course,
      place: artwork.place,
      figure,
      points: at.map(([x, y]) => [x, y] as [number, number]),
      closed,
    } as const;
    if (!(await workbench.drawOne(made)) && dragged) bench().set({ tool: "choose" });
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "Escape") {
        if (points.length) setPoints([]);
        else bench().set({ tool: "choose" });
      } else if (event.key === "Enter" && points.length > 1) {
        event.preventDefault();
        void draw(points, false);
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  const onDown = (event: React.PointerEvent) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = placeOf(event);
    if (dragged) return setPoints([at]);
    const first = points[0];
    const closes = first && points.length > 2 && Math.hypot(at[0] - first[0], at[1] - first[1]) * view.zoom < CLOSING;
    if (closes) void draw(points, true);
    else setPoints([...points, at]);
  };
  const onUp = (event: React.PointerEvent) => {
    if (!dragged || !points.length) return;
    const at = placeOf(event);
    const wide = Math.hypot(at[0] - points[0]![0], at[1] - points[0]![1]) * view.zoom;
    if (wide > 4) void draw([points[0]!, at], false);
    else setPoints([]);
  };
  const shown = here && points.length ? [...points, here] : points;
  return (
    <g>
      <rect
        ref={area}
        width="100%"
        height="100%"
        fill="transparent"
        style={{ cursor: "crosshair", touchAction: "none" }}
        data-testid="drawing-area"
        onPointerDown={onDown}
        onPointerMove={(event) => setHere(placeOf(event))}
        onPointerUp={onUp}
      />
      <g transform={`translate(${view.x} ${view.y}) scale(${view.zoom})`} pointerEvents="none">
        <Outline figure={figure} points={shown} />
      </g>
      {!dragged &&
        points.map(([x, y], index) => (
          <circle
            key={index}
            cx={view.x + view.zoom * x}
            cy={view.y + view.zoom * y}
            r={3.5}
            fill="var(--halo)"
            stroke="#1f2a44"
            pointerEvents="none"
          />
        ))}
    </g>
  );
}

/** What is being drawn, as thin lines; the server makes the shape of it. */
function Outline({ figure, points }: { figure: Figure; points: readonly Point[] }) {
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last || points.length < 2) return null;
  const line = { fill: "none", stroke: "var(--halo)", strokeWidth: 1.6, vectorEffect: "non-scaling-stroke" } as const;
  const [x, y, w, h] = [
    Math.min(first[0], last[0]),
    Math.min(first[1], last[1]),
    Math.abs(last[0] - first[0]),
    Math.abs(last[1] - first[1]),
  ];
  if (figure === "disc") return <ellipse cx={x + w / 2} cy={y + h / 2} rx={w / 2} ry={h / 2} {...line} />;
  if (figure === "rectangle") return <rect x={x} y={y} width={w} height={h} {...line} />;
  return <path d={`M${points.map((p) => p.join(" ")).join("L")}`} {...line} />;
}
