/** What can be done with the whole run. */
import { plural } from "@/shared/ui/words";

import { useChosen, useSheetSession, useShown } from "../sheet";
import { useRun, useSettings } from "./settings";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";

export function RunWork() {
  const session = useSheetSession();
  const run = useRun();
  const settings = useSettings();
  const { runs } = useChosen();
  const brush = useShown((frame) => frame.brushes).find((item) => item.id === run.brush);
  return (
    <>
      <Heading>This run</Heading>
      <div className="flex flex-wrap gap-1">
        <QuietButton onClick={() => session.command({ kind: "reverse-run", run: run.id })}>
          Reverse direction
        </QuietButton>
        <QuietButton onClick={() => session.command({ kind: "show-run", run: run.id, shown: !run.shown })}>
          {run.shown ? "Hide" : "Show"}
        </QuietButton>
        <QuietButton onClick={() => session.command({ kind: "remove-runs", runs: runs.map((item) => item.id) })}>
          Take the brush off
        </QuietButton>
      </div>
      {run.own.length > 0 && (
        <>
          <p className="muted mt-2 text-[12px]">{plural(run.own.length, "setting")} of its own, marked with a dot.</p>
          <div className="mt-1 flex flex-wrap gap-1">
            <QuietButton onClick={() => settings.follow()}>Follow the brush in all</QuietButton>
            <QuietButton onClick={() => session.command({ kind: "give-to-brush", run: run.id })}>
              {brush?.builtin ? "Make a brush of these" : "Give them to the brush"}
            </QuietButton>
          </div>
        </>
      )}
    </>
  );
}
