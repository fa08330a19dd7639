/** The Lettering tool's card: what is written at the next press. */
import { QuietButton } from "@/shared/maker/QuietButton";

import { useChosen, useSheetSession, useFrame } from "../../sheet";
import { tableState, useTableState } from "../../state";
import { middle } from "../figure/figurePointer";
import { keepText, writeText } from "./letteringPointer";
import { type Change, TextFields } from "./TextFields";

/** The middle of what is seen, as the text's own. */
function about() {
  const at = middle();
  return at && { ...at, about: true };
}

export function LetteringCard() {
  const session = useSheetSession();
  const frame = useFrame("sheet");
  const { path } = useChosen();
  const writing = useTableState((state) => state.writing);
  const merged = (change: Change) => ({ ...writing, ...change, numbers: { ...writing.numbers, ...change.numbers } });
  return (
    <>
      <h2 className="text-[18px] font-bold">Write lettering</h2>
      <p className="muted my-1">Press where its first line begins. It stays text until you convert it to paths.</p>
      <TextFields
        value={writing}
        onPath={false}
        onPreview={(change) => session.preview(writeText(merged(change), about()))}
        onChange={(change) => {
          tableState().set({ writing: merged(change) });
          session.preview(writeText(merged(change), about()));
          return Promise.resolve(null);
        }}
        onCancel={() => session.dropPreviews(true)}
      />
      <div className="mt-1.5 flex flex-wrap items-center justify-end gap-1">
        {frame.sheet.factor !== 1 && <span className="muted mr-auto text-[12px]">Lengths on the garment</span>}
        {path && !path.lettering && (
          <QuietButton onClick={() => keepText(session, undefined, path.id)}>Write along {path.name}</QuietButton>
        )}
        <QuietButton onClick={() => keepText(session, about())}>Write it in the middle</QuietButton>
      </div>
    </>
  );
}
