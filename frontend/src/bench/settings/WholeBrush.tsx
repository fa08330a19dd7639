/** What belongs to the brush as a whole: kind, corners, crossings, threads. */
import { useCallback } from "react";

import { CornerRules, CrossingRules } from "@/shared/maker/CornerRules";
import { NumberRow, Options } from "@/shared/maker/fields";
import { FadeRow } from "@/shared/maker/FadeRules";
import { ReliefRow } from "@/shared/maker/ReliefRules";
import { Decision } from "@/shared/maker/Decision";
import { Swatches } from "@/shared/maker/Swatches";
import { ThreadTaken } from "@/shared/maker/ThreadTaken";
import { CROSSINGS, MANNERS, wordOf } from "@/shared/ui/trade";
import { useMaker } from "@/shared/maker/maker";
import { QuietButton } from "@/shared/maker/QuietButton";
import { ColourField } from "@/shared/ui/ColourField";

import { KINDS } from "@/shared/families";

export function WholeBrush() {
  const { doc } = useMaker();
  return (
    <>
      <Decision id="kind" label="Kind" set={wordOf(KINDS, doc.kind)}>
        <Options label="Kind" pointer="/kind" options={KINDS} value={doc.kind!} />
      </Decision>
      <Decision id="corners" label="Corners" set={wordOf(MANNERS, doc.corners!.manner)}>
        <CornerRules />
      </Decision>
      <Decision id="crossings" label="Crossings" set={wordOf(CROSSINGS, doc.crossings!.manner)}>
        <CrossingRules />
      </Decision>
      <Threads />
      <ReliefRow />
      <FadeRow />
    </>
  );
}

function Threads() {
  const { doc, keepValue } = useMaker();
  const threads = doc.threads!;
  return (
    <Decision id="thread" label="Threads" set={<Swatches colours={threads} />}>
      {threads.map((colour, index) => (
        <Thread key={index} index={index} colour={colour} />
      ))}
      <NumberRow label="Opacity" pointer="/opacity" value={`${doc.opacity} %`} step={10} />
      <ThreadTaken />
      <div className="mt-1.5 flex gap-1">
        <QuietButton onClick={() => void keepValue("/threads", [...threads, threads.at(-1)!])}>
          Add a thread
        </QuietButton>
        {threads.length > 1 && (
          <QuietButton onClick={() => void keepValue("/threads", threads.slice(0, -1))}>Remove the last</QuietButton>
        )}
      </div>
    </Decision>
  );
}

function Thread({ index, colour }: { index: number; colour: string }) {
  const { tryOut, keep } = useMaker();
  const pointer = `/threads/${index}`;
  const commit = useCallback((entered: string) => keep(pointer, entered), [keep, pointer]);
  return (
    <div className="mt-1 flex items-center justify-between gap-2">
      <span>Thread {index + 1}</span>
      <ColourField
        label={`Thread ${index + 1} colour`}
        value={colour}
        onPreview={(entered) => tryOut(pointer, entered)}
        onCommit={commit}
      />
    </div>
  );
}
