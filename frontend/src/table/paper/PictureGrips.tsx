/** The picture in hand, a guide picture or one inside a shape: dragged by its middle, sized by its edges, turned by the arc beside it. */
import type { Intent } from "@/shared/api/types";

import { useSheetSession, useFrame, useShown } from "../sheet";
import { useTableState } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
import { type Spot, toScreen, type View } from "../view";
import { useSheetDrag } from "./Nodes";

/** How far outside the right edge the arc stands that turns it, and how far it bends back at its ends, px. */
const OUTSIDE = 16;
const BEND = 5;
/** Half of the longest that the arc is, and of the bars on the edges, px. */
const ARC = 44;
const BAR = 11;

/** Edges by the way out of the middle, each with the cursor that it has while the picture is upright. */
const EDGES = [
  ["left", -1, 0],
  ["right", 1, 0],
  ["top", 0, -1],
  ["bottom", 0, 1],
] as const;

/** Where a picture lies, what it is called, and what brings it by a grip to a spot. */
interface Held {
  name: string;
  x: number;
  y: number;
  width: number;
  height: number;
  turn: number;
  drag: (grip: GripName, to: Spot, steady: boolean) => Intent;
}

type GripName = "middle" | "arc" | (typeof EDGES)[number][0];

function useHeld(): Held | null {
  const { guides, paths } = useFrame("guides", "paths");
  const held = useTableState((state) => state.picture);
  if (held?.kind === "guide") {
    const guide = guides.find((item) => item.id === held.id);
    if (!guide?.shown || guide.locked) return null;
    return { ...guide, drag: (grip, to, steady) => ({ kind: "drag-guide", guide: guide.id, grip, ...to, steady }) };
  }
  const path = paths.find((item) => item.id === held?.id);
  if (path?.fill?.kind !== "picture" || path.hidden) return null;
  const { name, x, y, width, height, turn = 0 } = path.fill;
  const drag = (grip: GripName, to: Spot, steady: boolean): Intent => ({
    kind: "drag-picture-fill",
    path: path.id,
    grip,
    ...to,
    steady,
  });
  return { name, x, y, width, height, turn, drag };
}

export function PictureGrips({ view }: { view: View }) {
  const held = useHeld();
  if (!held) return null;
  const { width, height, turn } = held;
  const [wide, high] = [width * view.zoom, height * view.zoom];
  const arc = Math.min(ARC, 0.4 * high);
  return (
    <g>
      <Grip view={view} held={held} grip="middle" at={{ x: 0, y: 0 }} label="Move" cursor="move">
        <rect
          x={-wide / 2}
          y={-high / 2}
          width={wide}
          height={high}
          fill="transparent"
          stroke="var(--mark)"
          strokeDasharray="6 3"
        />
      </Grip>
      {EDGES.map(([edge, x, y]) => (
        <Grip
          key={edge}
          view={view}
          held={held}
          grip={edge}
          at={{ x: (x * width) / 2, y: (y * height) / 2 }}
          label={`Size by its ${edge} edge:`}
          cursor={Math.abs(Math.round((turn + (y ? 90 : 0)) / 90)) % 2 ? "ns-resize" : "ew-resize"}
        >
          <rect
            x={x ? -8 : -wide / 2}
            y={y ? -8 : -high / 2}
            width={x ? 16 : wide}
            height={y ? 16 : high}
            fill="transparent"
          />
          {[5, 2.2].map((weight) => (
            <path
              key={weight}
              d={x ? `M0 ${-BAR}v${2 * BAR}` : `M${-BAR} 0h${2 * BAR}`}
              stroke={weight > 3 ? "var(--halo)" : "var(--mark)"}
              strokeWidth={weight}
            />
          ))}
        </Grip>
      ))}
      <Grip
        view={view}
        held={held}
        grip="arc"
        at={{ x: width / 2 + OUTSIDE / view.zoom, y: 0 }}
        label="Turn"
        cursor="grab"
      >
        {[18, 5, 2.2].map((weight) => (
          <path
            key={weight}
            d={`M${-BEND} ${-arc}Q${BEND} 0 ${-BEND} ${arc}`}
            fill="none"
            stroke={weight > 10 ? "transparent" : weight > 3 ? "var(--halo)" : "var(--mark)"}
            strokeWidth={weight}
            strokeLinecap="round"
            pointerEvents="stroke"
          />
        ))}
      </Grip>
    </g>
  );
}

/** A spot of the picture, from its middle before it was turned, on the sheet. */
function placed({ x, y, turn }: Held, spot: Spot): Spot {
  const [cos, sin] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  return { x: x + cos * spot.x - sin * spot.y, y: y + sin * spot.x + cos * spot.y };
}

interface GripProps {
  view: View;
  held: Held;
  grip: GripName;
  at: Spot;
  label: string;
  cursor: string;
  children: React.ReactNode;
}

function Grip({ view, held, grip, at, label, cursor, children }: GripProps) {
  const session = useSheetSession();
  const { factor } = useShown((frame) => frame.sheet);
  const spot = placed(held, at);
  const bind = useSheetDrag(spot, (to, event) => held.drag(grip, to, event.shiftKey));
  const { x, y } = toScreen(view, spot);
  return (
    <g
      transform={`translate(${x} ${y}) rotate(${held.turn})`}
      role="button"
      tabIndex={0}
      aria-label={`${label} ${held.name}`}
      data-testid={`picture-${grip}`}
      style={{ cursor }}
      onKeyDown={(event) => {
        const arrow = ARROWS[event.key];
        if (!arrow) return;
        event.preventDefault();
        event.stopPropagation();
        const step = factor * nudge(event);
        void session.command(held.drag(grip, { x: spot.x + step * arrow[0], y: spot.y + step * arrow[1] }, false));
      }}
      {...bind()}
    >
      {children}
    </g>
  );
}
