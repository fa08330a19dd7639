/** How a run begins and ends, and where a closed one starts. */
import { NumberLine } from "@/shared/ui/NumberLine";
import { fixed } from "@/shared/ui/words";

import { useChosen, useSheetSession, useFrame } from "../sheet";
import { useTableState } from "../state";
import { mmText, NumberRow } from "@/shared/maker/fields";
import { Decision } from "@/shared/maker/Decision";
import { endWords } from "@/shared/maker/ends";
import { useLength } from "@/shared/ui/unit";
import { useRow } from "@/shared/maker/maker";

import { useRun } from "./settings";
import { useOpenedFor } from "./inView";

export function Ends() {
  const place = useRow();
  const run = useRun();
  const { path } = useChosen();
  const picked = useTableState((state) => (state.place?.kind === "end" ? state.place.key : null));
  const { bare } = useLength();
  const { factor } = useFrame("sheet").sheet;
  useOpenedFor("ends", picked);
  const startAt = `starts at ${bare((run.places.start ?? 0) / factor, 1)}`;
  if (!place) {
    return path!.closed ? (
      <Decision id="ends" label="Ends" set="closed" result={startAt}>
        <ClosedPath />
      </Decision>
    ) : null;
  }
  const ends = place.row.ends!;
  const at = (name: string) => place.at(`ends/${name}`);
  const open = !path!.closed || run.places.opening !== null;
  const stitches = run.settings.kind === "stitch";
  return (
    <Decision
      id="ends"
      label="Ends"
      set={endWords(ends, open && stitches, !open && stitches)}
      result={open ? undefined : startAt}
      pointers={[place.at("ends"), place.at("start_shift")]}
    >
      {open && stitches && (
        <>
          <NumberRow label="Backtack, stitches" pointer={at("backtack")} value={String(ends.backtack)} step={1} />
          <NumberRow label="Condensed, stitches" pointer={at("condensed")} value={String(ends.condensed)} step={1} />
          <NumberRow label="Bartack" pointer={at("bartack")} value={mmText(ends.bartack)} step={1} />
        </>
      )}
      {!open && stitches && (
        <NumberRow label="Oversewn, stitches" pointer={at("oversew")} value={String(ends.oversew)} step={1} />
      )}
      <NumberRow
        label="Start shift"
        pointer={place.at("start_shift")}
        value={mmText(place.row.start_shift)}
        step={0.5}
      />
      {path!.closed && <ClosedPath />}
    </Decision>
  );
}

/** A closed path's start point, and opening it there. */
function ClosedPath() {
  const session = useSheetSession();
  const run = useRun();
  const frame = useFrame("sheet");
  const factor = frame.sheet.factor;
  const slide = (entered: string) => ({ kind: "slide-start" as const, run: run.id, entered });
  const open = (entered: string) => ({ kind: "open-path" as const, run: run.id, entered });
  const opening = run.places.opening;
  return (
    <>
      <NumberLine
        words="Start point at"
        label="Start point"
        value={`${fixed((run.places.start ?? 0) / factor, 1)} mm`}
        step={1}
        onPreview={(entered) => session.preview(slide(entered))}
        onCommit={async (entered) => await session.entered(slide(entered))}
        onCancel={() => session.dropPreviews(true)}
      />
      <NumberLine
        words="Opened there by"
        label="Opening"
        length
        value={opening === null || opening === undefined ? "closed" : `${fixed(opening / factor, 1)} mm`}
        step={1}
        onCommit={async (entered) => await session.entered(open(entered.trim() === "closed" ? "" : entered))}
      />
    </>
  );
}
