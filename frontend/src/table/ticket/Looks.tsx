/** The look of a run: taken up and given, kept in the Library, and changed for all that have it. */
import { useState } from "react";

import { QuietButton } from "@/shared/maker/QuietButton";
import { Dialog } from "@/shared/ui/Dialog";
import { followOrKeep, plural } from "@/shared/ui/words";

import { giveLook, takeLook } from "../looks";
import { useChosen, useSheetSession, useShown } from "../sheet";
import { useRun } from "./settings";

const MAIN =
  "cursor-pointer rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105";
const OTHER = "cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content";

export function Looks() {
  const session = useSheetSession();
  const { paths } = useChosen();
  const [naming, setNaming] = useState(false);
  return (
    <div className="mt-1.5 flex flex-wrap gap-1">
      <QuietButton onClick={() => takeLook(session)}>Take up its look</QuietButton>
      <QuietButton onClick={() => giveLook(session)}>
        {paths.length > 1 ? `Give the look taken up to ${paths.length}` : "Give it the look taken up"}
      </QuietButton>
      <QuietButton onClick={() => setNaming(true)}>Keep it as a look …</QuietButton>
      {naming && <KeepLook onClose={() => setNaming(false)} />}
    </div>
  );
}

function KeepLook({ onClose }: { onClose: () => void }) {
  const session = useSheetSession();
  const run = useRun();
  const [name, setName] = useState(run.settings.name ?? "");
  const keep = async () => {
    if (!name.trim()) return;
    onClose();
    await session.command({ kind: "make-look", run: run.id, name });
  };
  return (
    <Dialog title="Keep this look" width={420} onClose={onClose}>
      <p>
        The brush with all settings of its own, its shades and its relief is kept in the Library. The run is linked to
        it.
      </p>
      <form
        className="mt-3 flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <input
          // The dialog asks for nothing else.
          // eslint-disable-next-line jsx-a11y/no-autofocus
          autoFocus
          aria-label="Name of the look"
          className="min-w-0 flex-1 rounded-field border border-(--edge) bg-base-100 px-2 py-1"
          maxLength={120}
          value={name}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setName(event.target.value)}
        />
        <button className={MAIN}>Keep the look</button>
      </form>
    </Dialog>
  );
}

/** What a run has of its own is given to its brush or look: do the others that use it follow? */
export function GiveToBrush() {
  const session = useSheetSession();
  const run = useRun();
  const brush = useShown((frame) => frame.brushes).find((item) => item.id === run.brush);
  const [asking, setAsking] = useState(false);
  const others = (brush?.used_by ?? 1) - 1;
  const what = brush?.look ? "look" : "brush";
  const words = followOrKeep(others, what);
  const give = (keep: boolean) => {
    setAsking(false);
    void session.command({ kind: "give-to-brush", run: run.id, keep });
  };
  return (
    <>
      <QuietButton onClick={() => (brush?.builtin || others < 1 ? give(false) : setAsking(true))}>
        {brush?.builtin ? "Make a brush of these" : `Give them to the ${what}`}
      </QuietButton>
      {asking && (
        <Dialog
          title={`${plural(others, "other run uses", "other runs use")} this ${what}`}
          width={440}
          onClose={() => setAsking(false)}
        >
          <p>{words.question}</p>
          <div className="mt-4 flex gap-2">
            <button className={MAIN} onClick={() => give(false)}>
              {words.follow}
            </button>
            <button className={OTHER} onClick={() => give(true)}>
              {words.keep}
            </button>
          </div>
        </Dialog>
      )}
    </>
  );
}
