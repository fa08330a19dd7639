/** Single repeats on the sheet: pressed to choose, dragged or nudged to move. */
import type { SingleShown } from "@/shared/api/types";

import { useSheetSession, useFrame } from "../sheet";
import { choosePaths, tableState, useTableState } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
import { toScreen, type View } from "../view";
import { useSheetDrag } from "./Nodes";

/** How far ahead of a repeat's middle the grip that turns it stands, px. */
const AHEAD = 34;

export function Singles({ view }: { view: View }) {
  const { singles } = useFrame("singles");
  const chosen = useTableState((state) => state.single);
  const one = singles.find((single) => single.id === chosen);
  return (
    <>
      {singles.map((single) => (
        <Single key={single.id} view={view} single={single} />
      ))}
      {one && <TurnGrip view={view} single={one} />}
    </>
  );
}

function Single({ view, single }: { view: View; single: SingleShown }) {
  const session = useSheetSession();
  const frame = useFrame("brushes", "sheet");
  const chosen = useTableState((state) => state.single === single.id);
  const name = frame.brushes.find((brush) => brush.id === single.brush)?.name ?? "";
  const choose = () => {
    choosePaths([]);
    tableState().set({ single: single.id });
  };
  const bind = useSheetDrag(
    { x: single.x, y: single.y },
    ({ x, y }) => ({ kind: "set-single", single: single.id, x, y }),
    choose,
  );
  const { x, y } = toScreen(view, single);
  return (
    <g
      transform={`translate(${x} ${y})`}
      role="button"
      tabIndex={0}
      aria-label={`A single ${name}`}
      aria-pressed={chosen}
      data-testid={`single-${single.id}`}
      style={{ cursor: "move" }}
      onKeyDown={(event) => {
        const arrow = ARROWS[event.key];
        if (arrow) {
          const step = frame.sheet.factor * nudge(event);
          void session.command({
            kind: "set-single",
            single: single.id,
            x: single.x + step * arrow[0],
            y: single.y + step * arrow[1],
          });
        } else if (event.key === "Delete" || event.key === "Backspace") {
          tableState().set({ single: null });
          void session.command({ kind: "remove-singles", singles: [single.id] });
        } else if (event.key === "Enter" || event.key === " ") choose();
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
      {...bind()}
    >
      <circle r={12} fill="transparent" />
      {chosen && <rect x={-9} y={-9} width={18} height={18} fill="none" stroke="var(--mark)" strokeWidth={1.2} />}
    </g>
  );
}

/** A grip ahead of the chosen repeat: it is turned to run to where this is dragged. */
function TurnGrip({ view, single }: { view: View; single: SingleShown }) {
  const session = useSheetSession();
  const angle = (single.turn * Math.PI) / 180;
  const ahead = (px: number) => ({
    x: single.x + (px / view.zoom) * Math.cos(angle),
    y: single.y + (px / view.zoom) * Math.sin(angle),
  });
  const spot = ahead(AHEAD);
  const bind = useSheetDrag(spot, ({ x, y }) => ({ kind: "set-single", single: single.id, toward: [x, y] }));
  // The repeat itself stays in sight.
  const [from, at] = [toScreen(view, ahead(14)), toScreen(view, spot)];
  return (
    <>
      <path
        d={`M${from.x} ${from.y}L${at.x} ${at.y}`}
        stroke="var(--mark)"
        strokeDasharray="2 3"
        pointerEvents="none"
      />
      <g
        transform={`translate(${at.x} ${at.y})`}
        role="button"
        tabIndex={0}
        aria-label="Turn the single repeat: drag, or arrow keys"
        data-testid="single-turn"
        style={{ cursor: "grab" }}
        onKeyDown={(event) => {
          const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
          if (!by) return;
          event.preventDefault();
          event.stopPropagation();
          const turn = String(single.turn + by * (event.shiftKey ? 15 : 1));
          void session.command({ kind: "set-single", single: single.id, turn });
        }}
        {...bind()}
      >
        <circle r={10} fill="transparent" />
        <circle r={5} fill="var(--halo)" stroke="var(--mark)" strokeWidth={1.4} />
      </g>
    </>
  );
}
