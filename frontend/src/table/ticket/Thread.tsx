/** The threads: their colours, and how thick a stitch's thread is and how it ends. */
import { useCallback } from "react";

import { Decision } from "@/shared/maker/Decision";
import { NumberRow, Options } from "@/shared/maker/fields";
import { Swatches } from "@/shared/maker/Swatches";
import { Own } from "@/shared/maker/Own";
import { TAKE, ThreadTaken } from "@/shared/maker/ThreadTaken";
import { useRow } from "@/shared/maker/maker";
import { ColourField } from "@/shared/ui/ColourField";
import { THREAD_ENDS } from "@/shared/ui/trade";
import { useLength } from "@/shared/ui/unit";

import { MeasureHead, MeasureRow } from "./Stitch";
import { useRun, useSettings, useShownRow } from "./settings";

const OPACITY = "/opacity";

export function Thread() {
  const { settings: brush } = useRun();
  const place = useRow();
  const shown = useShownRow();
  const { text } = useLength();
  const motif = place?.row.motif;
  const threads = brush.threads!;
  const sewn = place && motif?.family === "running" ? place : null;
  const thick = shown?.set.thread;
  const results = [
    brush.opacity! < 100 && `${brush.opacity} %`,
    sewn && thick && text(thick[thick.on === "paper" ? "paper" : "garment"]),
  ];
  return (
    <Decision
      id="thread"
      label={threads.length > 1 ? "Threads" : "Thread"}
      set={<Swatches colours={threads} />}
      result={results.filter(Boolean).join(", ") || undefined}
      pointers={["/threads", OPACITY, TAKE, ...(sewn ? [sewn.at("motif/thread"), sewn.at("motif/ends")] : [])]}
    >
      {threads.map((colour, index) => (
        <ThreadColour key={index} index={index} colour={colour} many={threads.length > 1} />
      ))}
      <NumberRow label="Opacity" pointer={OPACITY} value={`${brush.opacity} %`} step={10} />
      <ThreadTaken />
      {sewn && thick && shown && (
        <table className="mt-1.5 w-full" aria-label="Thickness">
          <MeasureHead />
          <tbody>
            <MeasureRow
              label="Thread"
              pointer={sewn.at("motif/thread")}
              set={thick}
              result={shown.result.thread}
              step={0.05}
            />
          </tbody>
        </table>
      )}
      {sewn && motif?.family === "running" && (
        <div className="mt-1.5 flex items-center gap-2">
          <span>
            Ends
            <Own pointer={sewn.at("motif/ends")} label="Thread ends" />
          </span>
          <Options label="Thread ends" pointer={sewn.at("motif/ends")} options={THREAD_ENDS} value={motif.ends!} />
        </div>
      )}
    </Decision>
  );
}

function ThreadColour({ index, colour, many }: { index: number; colour: string; many: boolean }) {
  const settings = useSettings();
  const pointer = `/threads/${index}`;
  const keep = useCallback((entered: string) => settings.keep(pointer, entered), [settings, pointer]);
  const label = many ? `Thread ${index + 1} colour` : "Thread colour";
  return (
    <div className="mt-1 flex items-center">
      <ColourField
        label={label}
        value={colour}
        onPreview={(entered) => settings.tryOut(pointer, entered)}
        onCommit={keep}
      />
      <Own pointer={pointer} label={label} />
    </div>
  );
}
