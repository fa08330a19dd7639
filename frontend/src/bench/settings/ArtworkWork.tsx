/** Work on own artwork: imported or out, turned, given another cell, cut into pieces. */
import { useState } from "react";

import type { Edit } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";

import { useBench, useWorkbench } from "../bench";
import { FormNumber, EditNumber } from "../EditNumber";
import { FromPicture } from "../trace/FromPicture";
import { ExportArtwork } from "./ExportArtwork";
import { KeepMotif, TakeMotif } from "./KeptMotifs";
import { TakeArtwork } from "./TakeArtwork";

const mm = (value: number) => `${Number(value.toFixed(3))} mm`;

/** What is cut is the brush as it is kept: a cut that is only tried must not move the cuts. */
export function ArtworkWork() {
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const now = useBench((state) => state.brush?.doc.courses?.[state.course]);
  if (!now || now.course === "band") return null;
  const own = now.motif?.family === "artwork" ? (now.motif as unknown as { length: number; width: number }) : null;
  const picture = now.motif?.family === "picture";
  const whole = own?.length ?? now.length?.mm ?? 1;
  return (
    <>
      <div className="mt-1.5 flex flex-wrap gap-1">
        {!picture && <QuietButton onClick={() => workbench.draw("repeat")}>Draw on it</QuietButton>}
        <TakeArtwork />
        <FromPicture place="repeat" />
        <TakeMotif place="repeat" />
        {!picture && <ExportArtwork place="repeat" />}
        <KeepMotif place="repeat" />
        {!own && !picture && (
          <QuietButton onClick={() => void workbench.make({ kind: "to-artwork", course })}>
            Take it out as artwork
          </QuietButton>
        )}
      </div>
      {own && <Cell length={own.length} width={own.width} course={course} />}
      {now.course === "row" && !picture && <Cuts key={`${now.motif?.family}-${whole}`} whole={whole} course={course} />}
    </>
  );
}

function Cell({ length, width, course }: { length: number; width: number; course: number }) {
  const cell = (values: { start?: string; end?: string; baseline?: string }): Edit => ({
    kind: "set-cell",
    course,
    start: "0 mm",
    end: mm(length),
    baseline: "0 mm",
    // Another baseline alone moves the artwork across: its width is then measured anew.
    width: values.baseline ? null : mm(width),
    ...values,
  });
  return (
    <>
      <Heading>The cell</Heading>
      <EditNumber label="Begins at" value="0 mm" step={0.5} edit={(start) => cell({ start })} />
      <EditNumber label="Ends at" value={mm(length)} step={0.5} edit={(end) => cell({ end })} />
      <EditNumber label="Baseline at" value="0 mm" step={0.5} edit={(baseline) => cell({ baseline })} />
      <EditNumber
        label="Turned by"
        value="0°"
        step={15}
        edit={(entered) => ({ kind: "turn-artwork", course, entered })}
      />
    </>
  );
}

function Cuts({ whole, course }: { whole: number; course: number }) {
  const workbench = useWorkbench();
  const [first, setFirst] = useState(mm(whole * 0.25));
  const [second, setSecond] = useState(mm(whole * 0.75));
  const cut = (values: { first?: string; second?: string } = {}): Edit => ({
    kind: "cut-in-three",
    course,
    first,
    second,
    ...values,
  });
  return (
    <>
      <Heading>Cut it</Heading>
      <FormNumber
        label="First cut at"
        value={first}
        step={0.5}
        onTyped={setFirst}
        edit={(entered) => cut({ first: entered })}
      />
      <FormNumber
        label="Second cut at"
        value={second}
        step={0.5}
        onTyped={setSecond}
        edit={(entered) => cut({ second: entered })}
      />
      <div className="mt-1.5 flex flex-wrap gap-1">
        <QuietButton onClick={() => void workbench.make(cut())}>Into start, repeat and end</QuietButton>
        <QuietButton onClick={() => void workbench.make({ kind: "cut-centre", course })}>
          From centre to centre
        </QuietButton>
        <QuietButton onClick={() => void workbench.make({ kind: "trim-to-cell", course })}>To the cell</QuietButton>
      </div>
    </>
  );
}
