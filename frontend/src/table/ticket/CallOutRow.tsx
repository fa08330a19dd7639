/** The chosen run's call-out: what it says, and where it stands. */
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { TextLine } from "@/shared/ui/TextLine";

import { useChosen, useFrame, useSheetSession } from "../sheet";

export function CallOutRow() {
  const session = useSheetSession();
  const { run, paths } = useChosen();
  const { callouts, runs } = useFrame("callouts", "runs");
  const mine = callouts.find((callout) => callout.run === run!.id);
  const ids = new Set(paths.map(({ id }) => id));
  const chosen = runs.filter(({ path }) => ids.has(path)).map(({ id }) => id);
  const theirs = callouts.filter((callout) => chosen.includes(callout.run)).map(({ id }) => id);
  const bare = chosen.length - theirs.length;
  return (
    <Decision id="callout" label="Call-out" set={mine ? mine.text : "none"}>
      {mine && (
        <TextLine
          key={mine.id}
          label="Text of the call-out"
          value={mine.text}
          onKeep={(text) =>
            session.entered({ kind: "set-callout", callout: mine.id, ...(text.trim() ? { text } : { of_run: true }) })
          }
        />
      )}
      <div className="mt-1.5 flex flex-wrap gap-1">
        {bare > 0 && (
          <QuietButton onClick={() => session.command({ kind: "add-callouts", runs: chosen })}>
            {bare > 1 ? `Add ${bare} call-outs` : "Add a call-out"}
          </QuietButton>
        )}
        {mine?.written && (
          <QuietButton onClick={() => session.command({ kind: "set-callout", callout: mine.id, of_run: true })}>
            Text from the run
          </QuietButton>
        )}
        {mine?.moved && (
          <QuietButton onClick={() => session.command({ kind: "set-callout", callout: mine.id, by_itself: true })}>
            Place by itself
          </QuietButton>
        )}
        {theirs.length > 0 && (
          <QuietButton onClick={() => session.command({ kind: "remove-callouts", callouts: theirs })}>
            {theirs.length > 1 ? `Remove ${theirs.length} call-outs` : "Remove the call-out"}
          </QuietButton>
        )}
      </div>
    </Decision>
  );
}
