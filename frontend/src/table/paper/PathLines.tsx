/** Every path as a line to choose it by; drawn anew only when the paths are, not when the view moves. */
import { memo, useMemo } from "react";

import type { PathShown } from "@/shared/api/types";

import { draggedBrush } from "../paths/carried";
import { useFrame, useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { sheetSpot } from "./paperPointer";
import { nearestRepeat } from "./repeats";

/** How near the pointer must be to a repeat to light it, px. */
const REACH = 10;

export const PathLines = memo(function PathLines() {
  const { paths, runs } = useFrame("paths", "runs");
  const chosen = useTableState((state) => state.chosen);
  const dressed = useMemo(() => new Set(runs.flatMap((run) => (run.seen ? run.path : []))), [runs]);
  return (
    <g {...useGrasp()}>
      {paths.map(
        (path) =>
          !path.hidden && (
            <PathLine
              key={path.id}
              path={path}
              bare={!path.drawn && !dressed.has(path.id)}
              chosen={chosen.includes(path.id)}
            />
          ),
      )}
    </g>
  );
});

function pathUnder(event: React.SyntheticEvent): string | null {
  return (event.target as Element).getAttribute("data-path");
}

/** What the pointer does on the lines: one hand for all of them. */
function useGrasp() {
  const session = useSheetSession();
  return {
    onPointerMove: (event: React.PointerEvent) => {
      const run = session.frame.runs.findLast((item) => item.path === pathUnder(event) && item.shown);
      if (!run || event.buttons) return;
      const index = nearestRepeat(run, sheetSpot(event), REACH / tableState().view!.zoom);
      tableState().set({ lit: index === null ? null : { run: run.id, index } });
    },
    onPointerOut: () => tableState().set({ lit: null }),
    onDragOver: (event: React.DragEvent) => draggedBrush(event) && event.preventDefault(),
    onDrop: (event: React.DragEvent) => {
      const [brush, path] = [draggedBrush(event), pathUnder(event)];
      if (!brush || !path) return;
      event.preventDefault();
      void session.command({ kind: "lay-brush", paths: [path], brush });
    },
  };
}

interface Line {
  path: PathShown;
  bare: boolean;
  chosen: boolean;
}

const PathLine = memo(function PathLine({ path, bare, chosen }: Line) {
  return (
    <>
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
      >
        <title>{path.name}</title>
      </path>
    </>
  );
});
