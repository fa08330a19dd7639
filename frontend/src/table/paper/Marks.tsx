/** Paths as lines to choose, and the chosen path's start, corners, nodes and handles. */
import { useChosen } from "../sheet";
import { useTableState } from "../state";
import type { View } from "../view";

import { CallOuts } from "./CallOuts";
import { ChosenCorners, ChosenCrossings, ChosenEnds, ChosenStart } from "./Corners";
import { PictureGrips } from "./PictureGrips";
import { Nodes } from "./Nodes";
import { PathLines } from "./PathLines";
import { Singles } from "./Singles";
import { CheckMarks } from "../tools/measure/MeasureLines";

export function Marks({ view }: { view: View }) {
  const choosing = useTableState((state) => state.tool === "choose");
  const { path, run } = useChosen();
  const transform = `matrix(${view.zoom} 0 0 ${view.zoom} ${view.x} ${view.y})`;
  return (
    <>
      <g transform={transform} fill="none">
        <PathLines />
      </g>
      {path && choosing && !path.hidden && !path.locked && !path.lettering && !path.area && (
        <Nodes view={view} path={path} />
      )}
      {path && !path.hidden && <ChosenStart view={view} path={path} run={run} />}
      {path && !path.hidden && (
        <ChosenCorners view={view} path={path} corners={run?.corners ?? path.corners} live={run !== null} />
      )}
      {run?.seen && <ChosenCrossings view={view} run={run} />}
      {choosing && <Singles view={view} />}
      {choosing && <PictureGrips view={view} />}
      <CallOuts view={view} />
      <CheckMarks view={view} />
      {run?.seen && <ChosenEnds view={view} run={run} />}
    </>
  );
}
