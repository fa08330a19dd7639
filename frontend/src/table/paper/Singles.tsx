/** Single repeats on the sheet: pressed to choose, dragged or nudged to move. */
import type { SingleShown } from "@/shared/api/types";

import { useDesk, useShown } from "../sheet";
import { choosePaths, hand, useHand } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
import { toScreen, type View } from "../view";
import { useSheetDrag } from "./Nodes";

export function Singles({ view }: { view: View }) {
  const { singles } = useShown().head;
  return singles.map((single) => <Single key={single.id} view={view} single={single} />);
}

function Single({ view, single }: { view: View; single: SingleShown }) {
  const desk = useDesk();
  const { head } = useShown();
  const chosen = useHand((state) => state.single === single.id);
  const name = head.brushes.find((brush) => brush.id === single.brush)?.name ?? "";
  const choose = () => {
    choosePaths([]);
    hand().set({ single: single.id });
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
          const step = head.sheet.factor * nudge(event);
          void desk.command({ kind: "set-single", single: single.id, x: single.x + step * arrow[0], y: single.y + step * arrow[1] });
        } else if (event.key === "Delete" || event.key === "Backspace") {
          hand().set({ single: null });
          void desk.command({ kind: "remove-singles", singles: [single.id] });
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
