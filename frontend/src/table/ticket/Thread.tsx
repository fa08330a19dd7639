/** The threads: their colours, and how thick a stitch's thread is and how it ends. */
import { useCallback } from "react";

import type { RunShown } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { NumberRow, Options } from "@/shared/maker/fields";
import { Swatches } from "@/shared/maker/Swatches";
import { Own } from "@/shared/maker/Own";
import { TAKE, ThreadTaken } from "@/shared/maker/ThreadTaken";
import { useMaker, useRow } from "@/shared/maker/maker";
import { FillField } from "@/shared/maker/FillField";
import { useShades } from "@/shared/maker/shades";
import { TextLine } from "@/shared/ui/TextLine";
import { THREAD_ENDS } from "@/shared/ui/trade";
import { useLength } from "@/shared/ui/unit";

import { useChosen } from "../sheet";
import { MeasureHead, MeasureRow } from "./Stitch";
import { useRun, useSettings, useShownRow } from "./settings";

const OPACITY = "/opacity";

export function Thread() {
  const { settings: brush, sequences } = useRun();
  const { course, keep } = useMaker();
  const threads = useThreads();
  const card = useShades()?.shades ?? [];
  const names = threads.map((thread) => card.find((shade) => shade.id === thread.shade)?.name);
  const place = useRow();
  const shown = useShownRow();
  const { text } = useLength();
  const motif = place?.row.motif;
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
      set={<Swatches colours={threads.map((thread) => thread.colour)} names={names} />}
      result={results.filter(Boolean).join(", ") || undefined}
      pointers={[
        "/threads",
        OPACITY,
        TAKE,
        ...(place ? [place.at("shades")] : []),
        ...(sewn ? [sewn.at("motif/thread"), sewn.at("motif/ends")] : []),
      ]}
    >
      {threads.map((thread, index) => (
        <ThreadFill key={index} index={index} thread={thread} many={threads.length > 1} />
      ))}
      {place && (
        <div className="mt-1">
          <span>
            Sequence of shades
            <Own pointer={place.at("shades")} label="Sequence of shades" />
          </span>
          <TextLine
            label="Sequence of shades"
            value={sequences[course] ?? ""}
            hint="none: cream, cream, rust"
            onKeep={(entered) => keep(place.at("shades"), entered)}
          />
        </div>
      )}
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

/** The threads of all chosen runs, by their numbers: of the run on the Ticket, where it has as many. */
function useThreads() {
  const run = useRun();
  const { runs } = useChosen();
  const most = runs.reduce(
    (found, other) => (other.threads.length > found.length ? other.threads : found),
    run.threads,
  );
  return most.map((thread, index) => run.threads[index] ?? thread);
}

function ThreadFill({ index, thread, many }: { index: number; thread: RunShown["threads"][number]; many: boolean }) {
  const settings = useSettings();
  const pointer = `/threads/${index}`;
  const keep = useCallback((entered: string) => settings.keep(pointer, entered), [settings, pointer]);
  const label = many ? `Thread ${index + 1} colour` : "Thread colour";
  return (
    <div className="mt-1 flex items-center justify-between gap-2">
      <span className="shrink-0">
        {many ? `Thread ${index + 1}` : "Thread"}
        <Own pointer={pointer} label={label} />
      </span>
      <FillField
        label={label}
        colour={thread.colour}
        shade={thread.shade}
        ofPath={thread.of_path}
        onPreview={(entered) => settings.tryOut(pointer, entered)}
        onCommit={keep}
      />
    </div>
  );
}
