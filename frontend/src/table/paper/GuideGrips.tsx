/** The guide picture in hand: dragged by its middle, sized by its corner, turned by its top. */
import type { GuideShown, Intent } from "@/shared/api/types";

import { useSheetSession, useFrame, useShown } from "../sheet";
import { useTableState } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
import { type Spot, toScreen, type View } from "../view";
import { useSheetDrag } from "./Nodes";

/** How far above the picture the grip that turns it stands, px. */
const ABOVE = 22;

export function GuideGrips({ view }: { view: View }) {
  const { guides } = useFrame("guides");
  const inHand = useTableState((state) => state.guide);
  const guide = guides.find((item) => item.id === inHand);
  if (!guide?.shown || guide.locked) return null;
  const { width, height } = guide;
  const top = { x: 0, y: -height / 2 - ABOVE / view.zoom };
  const corners = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ] as const;
  const frame = corners.map(([x, y]) => toScreen(view, placed(guide, { x: (x * width) / 2, y: (y * height) / 2 })));
  const outline = `M${frame.map(({ x, y }) => `${x} ${y}`).join("L")}Z`;
  const stem = [placed(guide, { x: 0, y: -height / 2 }), placed(guide, top)].map((spot) => toScreen(view, spot));
  return (
    <g>
      <path d={`M${stem[0]!.x} ${stem[0]!.y}L${stem[1]!.x} ${stem[1]!.y}`} stroke="var(--mark)" />
      <Grip view={view} guide={guide} grip="middle" at={{ x: 0, y: 0 }} label="Move" cursor="move">
        {(at) => (
          <path
            d={outline}
            transform={`translate(${-at.x} ${-at.y})`}
            fill="transparent"
            stroke="var(--mark)"
            strokeDasharray="6 3"
          />
        )}
      </Grip>
      <Grip
        view={view}
        guide={guide}
        grip="corner"
        at={{ x: width / 2, y: height / 2 }}
        label="Size"
        cursor="nwse-resize"
      >
        {() => <rect x={-6} y={-6} width={12} height={12} fill="var(--halo)" stroke="var(--mark)" strokeWidth={1.4} />}
      </Grip>
      <Grip view={view} guide={guide} grip="top" at={top} label="Turn" cursor="grab">
        {() => <circle r={7} fill="var(--halo)" stroke="var(--mark)" strokeWidth={1.4} />}
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
  grip: "middle" | "corner" | "top";
  at: Spot;
  label: string;
  cursor: string;
  children: (at: Spot) => React.ReactNode;
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
      transform={`translate(${x} ${y})`}
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
      {children({ x, y })}
    </g>
  );
}
