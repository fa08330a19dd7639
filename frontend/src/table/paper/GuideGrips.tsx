/** The guide picture in hand: dragged by its middle, sized by its edges, turned by the arc beside it. */
import type { GuideShown, Intent } from "@/shared/api/types";

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

export function GuideGrips({ view }: { view: View }) {
  const { guides } = useFrame("guides");
  const inHand = useTableState((state) => state.guide);
  const guide = guides.find((item) => item.id === inHand);
  if (!guide?.shown || guide.locked) return null;
  const { width, height, turn } = guide;
  const [wide, high] = [width * view.zoom, height * view.zoom];
  const arc = Math.min(ARC, 0.4 * high);
  return (
    <g>
      <Grip view={view} guide={guide} grip="middle" at={{ x: 0, y: 0 }} label="Move" cursor="move">
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
          guide={guide}
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
        guide={guide}
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
function placed({ x, y, turn }: GuideShown, spot: Spot): Spot {
  const [cos, sin] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  return { x: x + cos * spot.x - sin * spot.y, y: y + sin * spot.x + cos * spot.y };
}

interface GripProps {
  view: View;
  guide: GuideShown;
  grip: "middle" | "arc" | (typeof EDGES)[number][0];
  at: Spot;
  label: string;
  cursor: string;
  children: React.ReactNode;
}

function Grip({ view, guide, grip, at, label, cursor, children }: GripProps) {
  const session = useSheetSession();
  const { factor } = useShown((frame) => frame.sheet);
  const spot = placed(guide, at);
  const drag = (to: Spot, steady: boolean): Intent => ({ kind: "drag-guide", guide: guide.id, grip, ...to, steady });
  const bind = useSheetDrag(spot, (to, event) => drag(to, event.shiftKey));
  const { x, y } = toScreen(view, spot);
  return (
    <g
      transform={`translate(${x} ${y}) rotate(${guide.turn})`}
      role="button"
      tabIndex={0}
      aria-label={`${label} ${guide.name}`}
      data-testid={`guide-${grip}`}
      style={{ cursor }}
      onKeyDown={(event) => {
        const arrow = ARROWS[event.key];
        if (!arrow) return;
        event.preventDefault();
        event.stopPropagation();
        const step = factor * nudge(event);
        void session.command(drag({ x: spot.x + step * arrow[0], y: spot.y + step * arrow[1] }, false));
      }}
      {...bind()}
    >
      {children}
    </g>
  );
}
