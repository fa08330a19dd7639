/** Every run on the chosen path, bottom to top: alternatives side by side, each shown or hidden. */
import { ArrowDown, ArrowUp, Eye, EyeOff } from "lucide-react";

import type { RunShown } from "@/shared/api/types";

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
          {runsOf.toReversed().map((run) => (
            <RunRow key={run.id} run={run} />
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

const small = "grid size-6 shrink-0 cursor-pointer place-items-center rounded-full hover:bg-base-200";

function RunRow({ run }: { run: RunShown }) {
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
        onClick={() => void session.command({ kind: "stack-run", run: run.id, up: true })}
      >
        <ArrowUp size={14} />
      </button>
      <button
        className={small}
        aria-label={`Move ${name} down`}
        onClick={() => void session.command({ kind: "stack-run", run: run.id, up: false })}
      >
        <ArrowDown size={14} />
      </button>
    </li>
  );
}
