/** The artwork's shapes as things that can be chosen, dragged and moved by keys. */
import { useDrag } from "@use-gesture/react";

import type { ArtShapeShown, ArtworkShown } from "@/shared/api/types";

import { bench, useBench, useWorkbench } from "../bench";
import type { View } from "./view";
import { placesOf, round, snapShift } from "./snap";

/** How far from a line it can still be pressed, px. */
const GRIP = 9;

/** `count` is how many of them are kept; what is only tried cannot be taken hold of. */
export function Shapes({ artwork, view, count }: { artwork: ArtworkShown; view: View; count: number }) {
  const chosen = useBench((state) => state.chosen);
  return (
    <g transform={`translate(${view.x} ${view.y}) scale(${view.zoom})`}>
      {artwork.shapes.slice(0, count).map((shape, index) => (
        <ShapeGrip
          key={index}
          shape={shape}
          index={index}
          artwork={artwork}
          view={view}
          chosen={chosen.includes(index)}
        />
      ))}
    </g>
  );
}

interface GripProps {
  shape: ArtShapeShown;
  index: number;
  artwork: ArtworkShown;
  view: View;
  chosen: boolean;
}

function ShapeGrip({ shape, index, artwork, view, chosen }: GripProps) {
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const place = artwork.place;
  const bind = useDrag(
    ({ movement: [mx, my], first, last, tap, event, memo }) => {
      if (first || tap) choose(index, event.shiftKey);
      if (tap) return undefined;
      const which = [...bench().chosen];
      // What the shapes were at first is what is moved.
      const from = (memo as Start | undefined) ?? begun(artwork, which);
      const free = "altKey" in event && event.altKey;
      const [x, y] = moveBy(from, mx / view.zoom, my / view.zoom, view.zoom, free);
      const edit = { kind: "move-shapes", course, place, which, x: round(x), y: round(y) } as const;
      if (last) void workbench.make(edit);
      else workbench.show(edit);
      return from;
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  const { outline: d, fill, even_odd } = shape.shown;
  return (
    <g
      {...bind()}
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      aria-label={`Shape ${index + 1}, ${round(shape.length)} by ${round(shape.width)} mm`}
      data-testid={`shape-${index}`}
      className="drawn-shape"
      style={{ cursor: "move", touchAction: "none" }}
      onKeyDown={(event) => onKey(event, index, () => workbench, course, place)}
    >
      <path
        d={d}
        fill={fill ? "transparent" : "none"}
        fillRule={even_odd ? "evenodd" : "nonzero"}
        stroke="transparent"
        strokeWidth={GRIP / view.zoom}
      />
      <path d={d} className="focused" vectorEffect="non-scaling-stroke" />
      {chosen && (
        <>
          <path
            d={d}
            fill="none"
            stroke="var(--halo)"
            strokeWidth={3.4}
            vectorEffect="non-scaling-stroke"
            pointerEvents="none"
          />
          <path
            d={d}
            fill="none"
            stroke="#1f2a44"
            strokeWidth={1.4}
            vectorEffect="non-scaling-stroke"
            pointerEvents="none"
          />
        </>
      )}
    </g>
  );
}

function choose(index: number, more: boolean) {
  const { chosen } = bench();
  if (more) bench().set({ chosen: chosen.includes(index) ? chosen.filter((i) => i !== index) : [...chosen, index] });
  else if (!chosen.includes(index)) bench().set({ chosen: [index] });
}

interface Start {
  along: number[];
  across: number[];
  places: { along: number[]; across: number[] };
}

/** The sides and middles of the chosen shapes together, and what they can snap to. */
function begun(artwork: ArtworkShown, which: readonly number[]): Start {
  const boxes = which.map((i) => artwork.shapes[i]!);
  const left = Math.min(...boxes.map((b) => b.x - b.length / 2));
  const right = Math.max(...boxes.map((b) => b.x + b.length / 2));
  const top = Math.min(...boxes.map((b) => b.y - b.width / 2));
  const foot = Math.max(...boxes.map((b) => b.y + b.width / 2));
  return {
    along: [left, (left + right) / 2, right],
    across: [top, (top + foot) / 2, foot],
    places: placesOf(artwork),
  };
}

function moveBy(from: Start, x: number, y: number, zoom: number, free: boolean): [number, number] {
  if (free) return [x, y];
  const along = from.along.map((value) => value + x);
  const across = from.across.map((value) => value + y);
  return [x + snapShift(along, from.places.along, zoom), y + snapShift(across, from.places.across, zoom)];
}

const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

function onKey(
  event: React.KeyboardEvent,
  index: number,
  workbench: () => ReturnType<typeof useWorkbench>,
  course: number,
  place: ArtworkShown["place"],
) {
  const step = STEPS[event.key];
  if (event.key === "Enter" || event.key === " ") choose(index, event.shiftKey);
  else if (event.key === "Delete" || event.key === "Backspace") {
    choose(index, false);
    void workbench().make({ kind: "shapes", course, place, which: [...bench().chosen], do: "remove" });
  } else if (step) {
    choose(index, false);
    const by = event.shiftKey ? 1 : 0.1;
    void workbench().make({
      kind: "move-shapes",
      course,
      place,
      which: [...bench().chosen],
      x: step[0] * by,
      y: step[1] * by,
    });
  } else return;
  event.preventDefault();
}
