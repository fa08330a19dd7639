/** Every run on the chosen path, bottom to top: alternatives side by side, each shown or hidden. */
import { ArrowDown, ArrowUp, Eye, EyeOff } from "lucide-react";

import type { RunShown } from "@/shared/api/types";

import { reorderRun } from "../order";
import { useChosen, useSheetSession, useShown } from "../sheet";
import { tableState, useTableState } from "../state";
import { QuietButton } from "@/shared/maker/QuietButton";

export function RunsOnPath() {
  const { runsOf } = useChosen();
  const adding = useTableState((state) => state.adding);
  return (
    <div className="mt-1.5">
      {runsOf.length > 1 && (
        <ol aria-label="Runs on this path, topmost first" className="border-t border-dotted border-base-300">
          {runsOf.toReversed().map((run, index, rows) => (
            <RunRow key={run.id} run={run} above={rows[index - 1]} below={rows[index + 1]} />
          ))}
        </ol>
      )}
      <div className="mt-1">
        <QuietButton onClick={() => tableState().set({ adding: !adding })}>
          {adding ? "Now press a brush in the list" : "Lay another brush beside it"}
        </QuietButton>
      </div>
    </div>
  );
}

const small =
  "grid size-6 shrink-0 cursor-pointer place-items-center rounded-full hover:bg-base-200 aria-disabled:cursor-default aria-disabled:opacity-55";

interface RowProps {
  run: RunShown;
  /** The runs next to it. */
  above: RunShown | undefined;
  below: RunShown | undefined;
}

function RunRow({ run, above, below }: RowProps) {
  const session = useSheetSession();
  const chosen = useChosen().run;
  const name = useShown((frame) => frame.brushes).find((brush) => brush.id === run.brush)?.name ?? "";
  return (
    <li
      className={`flex items-center gap-0.5 border-b border-dotted border-base-300 ${run.id === chosen?.id ? "font-semibold" : ""}`}
    >
      <button
        className={small}
        aria-label={`${run.shown ? "Hide" : "Show"} ${name}`}
        title={run.shown ? "Hide" : "Show"}
        onClick={() => void session.command({ kind: "show-run", run: run.id, shown: !run.shown })}
      >
        {run.shown ? <Eye size={14} /> : <EyeOff size={14} />}
      </button>
      <button
        className="min-w-0 flex-1 cursor-pointer truncate text-left"
        aria-pressed={run.id === chosen?.id}
        onClick={() => tableState().set({ run: run.id, place: null })}
      >
        {name}
      </button>
      <button
        className={small}
        aria-label={`Move ${name} up`}
        aria-disabled={!above}
        title={above ? "Move up" : "This is the topmost"}
        onClick={() => above && reorderRun(session, run.id, "above", above.id)}
      >
        <ArrowUp size={14} />
      </button>
      <button
        className={small}
        aria-label={`Move ${name} down`}
        aria-disabled={!below}
        title={below ? "Move down" : "This is the lowest"}
        onClick={() => below && reorderRun(session, run.id, "below", below.id)}
      >
        <ArrowDown size={14} />
      </button>
    </li>
  );
}
