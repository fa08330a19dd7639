/** Call-outs on the sheet: pressed to choose their path, dragged or nudged to move; the leader's end is dragged along
 * the seam. */
import type { CallOutShown } from "@/shared/api/types";

import { useFrame, useSheetSession } from "../sheet";
import { choosePaths, tableState, useTableState } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
import { toScreen, type View } from "../view";
import { useSheetDrag } from "./Nodes";

export function CallOuts({ view }: { view: View }) {
  const { callouts } = useFrame("callouts");
  return callouts.map((callout) => <CallOut key={callout.id} view={view} callout={callout} />);
}

function CallOut({ view, callout }: { view: View; callout: CallOutShown }) {
  const session = useSheetSession();
  const { runs, sheet } = useFrame("runs", "sheet");
  const choosing = useTableState((state) => state.tool === "choose");
  const path = runs.find((run) => run.id === callout.run)?.path;
  const chosen = useTableState((state) => path !== undefined && state.chosen.includes(path));
  const [left, top, right, foot] = callout.box;
  const choose = () => {
    if (!path) return;
    choosePaths([path]);
    tableState().set({ run: callout.run });
  };
  const bind = useSheetDrag(
    { x: left, y: top },
    ({ x, y }) => ({ kind: "set-callout", callout: callout.id, x, y }),
    choose,
  );
  const corner = toScreen(view, { x: left, y: top });
  const [start, end] = callout.leader.map(([x, y]) => toScreen(view, { x, y })) as [Spot, Spot];
  // As fine as in files, where that can be seen.
  const [line, hair] = [`M${start.x} ${start.y}L${end.x} ${end.y}`, Math.max(0.18 * view.zoom, 0.8)];
  const onKeyDown = (event: React.KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (arrow) {
      const step = sheet.factor * nudge(event);
      const place = { x: left + step * arrow[0], y: top + step * arrow[1] };
      void session.command({ kind: "set-callout", callout: callout.id, ...place });
    } else if (event.key === "Delete" || event.key === "Backspace") {
      void session.command({ kind: "remove-callouts", callouts: [callout.id] });
    } else if (event.key === "Enter" || event.key === " ") choose();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <g data-testid={`callout-${callout.id}`}>
      <g pointerEvents="none">
        <path d={line} stroke="var(--halo)" strokeWidth={3 * hair} />
        <circle cx={end.x} cy={end.y} r={4 * hair} fill="var(--halo)" />
        <path d={line} stroke="var(--mark)" strokeWidth={hair} />
        <circle cx={end.x} cy={end.y} r={2.5 * hair} fill="var(--mark)" />
      </g>
      {chosen && choosing && <End view={view} callout={callout} />}
      <g
        role="button"
        tabIndex={choosing ? 0 : -1}
        aria-label={`Call-out: ${callout.text}`}
        aria-pressed={chosen}
        pointerEvents={choosing ? "all" : "none"}
        style={{ cursor: "move" }}
        onKeyDown={onKeyDown}
        {...(choosing ? bind() : {})}
      >
        <rect
          x={corner.x - 2}
          y={corner.y - 1}
          width={(right - left) * view.zoom + 4}
          height={(foot - top) * view.zoom + 2}
          rx={2}
          fill={chosen ? "var(--lane)" : "transparent"}
        />
        <text fill="var(--mark)" fontSize={callout.size * view.zoom}>
          {callout.lines.map((line, index) => {
            const at = toScreen(view, line);
            return (
              // By its index: what is being dragged must stay the same element.
              <tspan key={index} x={at.x} y={at.y}>
                {line.text}
              </tspan>
            );
          })}
        </text>
      </g>
    </g>
  );
}

interface Spot {
  x: number;
  y: number;
}

/** The end of the chosen run's leader, dragged along its path. */
function End({ view, callout }: { view: View; callout: CallOutShown }) {
  const [x, y] = callout.leader[1];
  const bind = useSheetDrag({ x, y }, (to) => ({
    kind: "set-callout",
    callout: callout.id,
    end_x: to.x,
    end_y: to.y,
  }));
  const at = toScreen(view, { x, y });
  return (
    <g transform={`translate(${at.x} ${at.y})`} data-testid="callout-end" style={{ cursor: "move" }} {...bind()}>
      <title>The leader’s end: drag it along the path</title>
      <circle r={10} fill="transparent" />
      <circle r={4.5} fill="var(--halo)" stroke="var(--mark)" strokeWidth={1.4} />
    </g>
  );
}
