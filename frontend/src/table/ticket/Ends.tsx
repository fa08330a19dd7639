/** How a run begins and ends, and where a closed one starts. */
import { NumberLine } from "@/shared/ui/NumberLine";
import { fixed } from "@/shared/ui/words";

import { useChosen, useSheetSession, useFrame } from "../sheet";
import { useTableState } from "../state";
import { mmText, NumberRow } from "@/shared/maker/fields";
import { Own } from "@/shared/maker/Own";
import { Heading } from "@/shared/maker/Heading";
import { useRow } from "@/shared/maker/maker";

import { useRun } from "./settings";
import { useBroughtIntoView } from "./inView";

export function Ends() {
  const place = useRow();
  const run = useRun();
  const { path } = useChosen();
  const picked = useTableState((state) => (state.place?.kind === "end" ? state.place.key : null));
  const box = useBroughtIntoView<HTMLDivElement>(picked);
  if (!place) return path!.closed ? <ClosedPath /> : null;
  const ends = place.row.ends!;
  const at = (name: string) => place.at(`ends/${name}`);
  const open = !path!.closed || run.places.opening !== null;
  const stitches = run.settings.kind === "stitch";
  return (
    <div
      ref={box}
      data-testid="ends"
      className={picked ? "mt-1.5 border-l-4 border-accent bg-base-200 px-2 pb-1.5" : ""}
    >
      <Heading>
        Ends
        <Own pointer={place.at("ends")} label="Ends" />
      </Heading>
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
    </div>
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
        onCommit={async (entered) => (await session.command(slide(entered)))?.message ?? null}
        onCancel={() => session.dropPreviews(true)}
      />
      <NumberLine
        words="Opened there by"
        label="Opening"
        length
        value={opening === null || opening === undefined ? "closed" : `${fixed(opening / factor, 1)} mm`}
        step={1}
        onCommit={async (entered) =>
          (await session.command(open(entered.trim() === "closed" ? "" : entered)))?.message ?? null
        }
      />
    </>
  );
}
