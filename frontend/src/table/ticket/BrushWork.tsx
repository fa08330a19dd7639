/** The brush of the chosen run, the other runs on its path, and what is done with the whole run. */
import { Link } from "react-router";

import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Menu } from "@/shared/ui/Menu";
import { plural } from "@/shared/ui/words";

import { reorderRun, WHERE } from "../order";
import { useChosen, useSheetSession, useShown } from "../sheet";
import { GiveToBrush, Looks } from "./Looks";
import { RunsOnPath } from "./RunsOnPath";
import { useRun, useSettings } from "./settings";

export function BrushWork() {
  const session = useSheetSession();
  const run = useRun();
  const settings = useSettings();
  const { runs, runsOf } = useChosen();
  const brush = useShown((frame) => frame.brushes).find((item) => item.id === run.brush);
  return (
    <Decision
      id="brush"
      label={brush?.look ? "Look" : "Brush"}
      set={brush?.name}
      result={[
        runsOf.length > 1 && `1 of ${runsOf.length}`,
        !run.shown && "hidden",
        run.own.length > 0 && `${run.own.length} own`,
      ]
        .filter(Boolean)
        .join(", ")}
    >
      <RunsOnPath />
      <div className="mt-1.5 flex flex-wrap gap-1">
        <QuietButton onClick={() => session.command({ kind: "reverse-run", run: run.id })}>
          Reverse direction
        </QuietButton>
        <QuietButton onClick={() => session.command({ kind: "flip-run", run: run.id })}>
          Flip to the other side
        </QuietButton>
        <QuietButton onClick={() => session.command({ kind: "show-run", run: run.id, shown: !run.shown })}>
          {run.shown ? "Hide" : "Show"}
        </QuietButton>
        <QuietButton onClick={() => session.command({ kind: "remove-runs", runs: runs.map((item) => item.id) })}>
          Remove the brush
        </QuietButton>
        <Menu
          label="Stacking of this run alone"
          className="min-h-6 cursor-pointer rounded-field border border-(--edge) bg-base-200 px-2 py-0.5 text-[12px] hover:border-base-content"
          items={WHERE.map(([to, label]) => ({ label, onPick: () => reorderRun(session, run.id, to) }))}
        >
          Stacking …
        </Menu>
        <Link
          className="min-h-6 px-1 py-0.5 text-[12px] text-accent underline decoration-dotted underline-offset-2"
          to={`/bench/${run.brush}`}
        >
          On the Bench
        </Link>
      </div>
      <Looks />
      {run.own.length > 0 && (
        <>
          <p className="muted mt-2 text-[12px]">{plural(run.own.length, "setting")} of its own, marked with a dot.</p>
          <div className="mt-1 flex flex-wrap gap-1">
            <QuietButton onClick={() => settings.follow()}>
              Follow the {brush?.look ? "look" : "brush"} in all
            </QuietButton>
            <GiveToBrush />
          </div>
        </>
      )}
    </Decision>
  );
}
