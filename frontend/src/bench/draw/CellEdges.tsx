/** The cell's edges and its baseline, dragged along the artwork; they snap to its sides and middles. */
import { useDrag } from "@use-gesture/react";
import { useState } from "react";

import type { ArtworkShown, Edit } from "@/shared/api/types";

import { useBench, useWorkbench } from "../bench";
import { arrowStep, Diamond, gripStyle } from "../Grip";
import type { View } from "./view";
import { mmText, round, snapShift } from "./snap";

interface Props {
  artwork: ArtworkShown;
  view: View;
  width: number;
  height: number;
  /** Told the artwork that is to lie still while an edge is dragged over it, and null when it is let go. */
  onHold: (artwork: ArtworkShown | null) => void;
}

type Edge = "start" | "end" | "baseline" | "width";

export function CellEdges({ artwork, view, width, height, onHold }: Props) {
  const [moved, setMoved] = useState<{ edge: Edge; by: number } | null>(null);
  const by = (edge: Edge) => (moved?.edge === edge ? moved.by : 0);
  const x0 = view.x + view.zoom * by("start");
  const x1 = view.x + view.zoom * (artwork.length + by("end"));
  const base = view.y + view.zoom * by("baseline");
  const half = view.zoom * (artwork.width / 2 + by("width"));
  const onMove = (edge: Edge) => (to: number | null) => {
    setMoved(to === null ? null : { edge, by: to });
    onHold(to === null ? null : artwork);
  };
  const grip = (edge: Edge, x: number, y: number) => (
    <EdgeGrip edge={edge} artwork={artwork} view={view} x={x} y={y} onMove={onMove(edge)} />
  );
  return (
    <>
      <g stroke="var(--halo)" strokeDasharray="5 4" fill="none" pointerEvents="none">
        <path d={`M${x0} 0V${height}M${x1} 0V${height}`} />
        <path d={`M0 ${base}H${width}`} strokeDasharray="1 4" />
        <path d={`M${x0} ${base - half}H${x1}M${x0} ${base + half}H${x1}`} />
      </g>
      {grip("start", x0, 14)}
      {grip("end", x1, 14)}
      {grip("baseline", width - 16, base)}
      {grip("width", (x0 + x1) / 2, Math.min(base + half, height - 14))}
      <text x={(x0 + x1) / 2} y={18} textAnchor="middle" fill="var(--halo)" className="measure">
        {mmText((x1 - x0) / view.zoom)} × {mmText((2 * half) / view.zoom)}
      </text>
    </>
  );
}

const WORDS: Record<Edge, string> = {
  start: "Start of the cell",
  end: "End of the cell",
  baseline: "Baseline",
  width: "Width of the cell",
};

interface GripProps {
  edge: Edge;
  artwork: ArtworkShown;
  view: View;
  x: number;
  y: number;
  /** How far it is dragged, mm; null once it is let go. */
  onMove: (moved: number | null) => void;
}

function EdgeGrip({ edge, artwork, view, x, y, onMove }: GripProps) {
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const along = edge === "start" || edge === "end";
  const edit = (moved: number, from: ArtworkShown): Edit => moveEdge(edge, moved, from, course);
  const bind = useDrag(
    ({ movement: [mx, my], last, tap, event, memo }) => {
      const from = (memo as ArtworkShown | undefined) ?? artwork;
      if (tap) return from;
      const moved = (along ? mx : my) / view.zoom;
      const free = "altKey" in event && event.altKey;
      const by = free ? moved : snapped(edge, moved, from, view.zoom);
      onMove(by);
      if (last) void workbench.make(edit(by, from)).then(() => onMove(null));
      else workbench.show(edit(by, from));
      return from;
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  return (
    <g
      {...bind()}
      role="button"
      tabIndex={0}
      aria-label={`${WORDS[edge]}: drag, or arrow keys`}
      data-testid={`edge-${edge}`}
      style={gripStyle(along)}
      onKeyDown={(event) => {
        const by = arrowStep(event);
        if (by) void workbench.make(edit(by * (event.shiftKey ? 1 : 0.1), artwork));
      }}
    >
      <Diamond x={x} y={y} />
    </g>
  );
}

/** Where an edge lies now, mm. */
function placeOf(edge: Edge, { length, width }: ArtworkShown): number {
  return { start: 0, end: length, baseline: 0, width: width / 2 }[edge];
}

function snapped(edge: Edge, moved: number, from: ArtworkShown, zoom: number): number {
  const places = edge === "start" || edge === "end" ? from.along : from.across;
  return moved + snapShift([placeOf(edge, from) + moved], places, zoom);
}

function moveEdge(edge: Edge, moved: number, from: ArtworkShown, course: number): Edit {
  const cell = { start: 0, end: from.length, baseline: 0 };
  if (edge !== "width") cell[edge] += moved;
  const width = edge === "width" ? Math.max(from.width + 2 * moved, 0.02) : from.width;
  return {
    kind: "set-cell",
    course,
    place: from.place,
    start: mmText(cell.start),
    end: mmText(cell.end),
    baseline: mmText(cell.baseline),
    width: mmText(round(width)),
  };
}
