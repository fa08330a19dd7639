/** Paths as lines to choose, and the chosen path's start, corners, nodes and handles. */
import { useChosen, useDesk, useShown } from "../sheet";
import { hand, useHand } from "../state";
import type { View } from "../view";
import type { PathShown } from "@/shared/api/types";
import { draggedBrush } from "../paths/carried";

import { ChosenCorners, ChosenCrossings, ChosenEnds, ChosenStart } from "./Corners";
import { Nodes } from "./Nodes";
import { nearestRepeat } from "./repeats";
import { Singles } from "./Singles";
import { CheckMarks } from "../tools/measure/MeasureLines";
import { sheetSpot } from "./paperHand";

/** How near the pointer must be to a repeat to light it, px. */
const REACH = 10;

export function Marks({ view }: { view: View }) {
  const { head } = useShown();
  const chosen = useHand((state) => state.chosen);
  const choosing = useHand((state) => state.tool === "choose");
  const { path, run } = useChosen();
  const transform = `matrix(${view.zoom} 0 0 ${view.zoom} ${view.x} ${view.y})`;
  const dressed = new Set(head.runs.flatMap((item) => (item.seen ? item.path : [])));
  return (
    <>
      <g transform={transform} fill="none">
        {head.paths.map((item) => !item.hidden && (
          <PathLine
            key={item.id}
            path={item}
            bare={!item.drawn && !dressed.has(item.id)}
            chosen={chosen.includes(item.id)}
          />
        ))}
      </g>
      {path && choosing && !path.hidden && !path.locked && !path.lettering && <Nodes view={view} path={path} />}
      {path && !path.hidden && <ChosenStart view={view} path={path} run={run} />}
      {path && !path.hidden && <ChosenCorners view={view} corners={run?.corners ?? path.corners} live={run !== null} />}
      {run?.seen && <ChosenCrossings view={view} run={run} />}
      {choosing && <Singles view={view} />}
      <CheckMarks view={view} />
      {run?.seen && <ChosenEnds view={view} run={run} />}
    </>
  );
}

/** Two fine ink lines along a chosen path: what lies on it stays in sight. */
function Flanks({ path }: { path: PathShown }) {
  const line = { d: path.d, vectorEffect: "non-scaling-stroke", strokeLinejoin: "round" } as const;
  const { width, height } = useShown().head.sheet;
  const room = { x: -width, y: -height, width: 3 * width, height: 3 * height };
  return (
    <>
      <mask id={`flanks-${path.id}`} maskUnits="userSpaceOnUse" {...room}>
        <path {...line} stroke="white" strokeWidth={14} />
        <path {...line} stroke="black" strokeWidth={11.6} />
      </mask>
      <path {...line} stroke="var(--halo)" strokeWidth={15} opacity={0.5} mask={`url(#flanks-${path.id})`} />
      <path {...line} stroke="var(--mark)" strokeWidth={14} mask={`url(#flanks-${path.id})`} />
    </>
  );
}

function PathLine({ path, bare, chosen }: { path: PathShown; bare: boolean; chosen: boolean }) {
  const shown = useShown();
  const desk = useDesk();
  const run = shown.head.runs.findLast((item) => item.path === path.id && item.shown);
  const onPointerMove = (event: React.PointerEvent) => {
    if (!run || event.buttons) return;
    const index = nearestRepeat(shown, run, sheetSpot(event), REACH / hand().view!.zoom);
    hand().set({ lit: index === null ? null : { run: run.id, index } });
  };
  return (
    <g vectorEffect="non-scaling-stroke">
      {chosen && <Flanks path={path} />}
      {bare && (
        <path
          d={path.d}
          stroke="var(--mark)"
          strokeWidth={1}
          strokeDasharray={chosen ? undefined : "1 4"}
          vectorEffect="non-scaling-stroke"
          opacity={0.8}
        />
      )}
      <path
        d={path.d}
        data-path={path.id}
        data-testid={`path-${path.id}`}
        stroke="transparent"
        strokeWidth={12}
        vectorEffect="non-scaling-stroke"
        pointerEvents="stroke"
        onPointerMove={onPointerMove}
        onPointerLeave={() => hand().set({ lit: null })}
        onDragOver={(event) => draggedBrush(event) && event.preventDefault()}
        onDrop={(event) => {
          const brush = draggedBrush(event);
          if (brush) event.preventDefault();
          if (brush) void desk.command({ kind: "lay-brush", paths: [path.id], brush });
        }}
      >
        <title>{path.name}</title>
      </path>
    </g>
  );
}
