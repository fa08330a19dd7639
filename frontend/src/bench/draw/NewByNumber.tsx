/** New shapes by number: a figure of a stated size, or a row of dots along the edge. */
import { useState } from "react";

import type { ArtworkShown, Edit } from "@/shared/api/types";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";

import { useBench, useWorkbench } from "../bench";
import { FormNumber } from "../EditNumber";
import { mmText, round } from "./snap";

const KINDS = [
  ["disc", "Disc"],
  ["rectangle", "Rectangle"],
  ["line", "Line"],
  ["dots", "Dotted edge"],
] as const;

type Kind = (typeof KINDS)[number][0];

export function NewByNumber({ artwork }: { artwork: ArtworkShown }) {
  const [kind, setKind] = useState<Kind>("disc");
  return (
    <>
      <Choice label="What is added" options={KINDS} value={kind} onChange={setKind} />
      {kind === "dots" ? <Dots artwork={artwork} /> : <Figure key={kind} artwork={artwork} figure={kind} />}
    </>
  );
}

function Figure({ artwork, figure }: { artwork: ArtworkShown; figure: "disc" | "rectangle" | "line" }) {
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const { length, width } = artwork;
  const [form, setForm] = useState({
    x: mmText(length / 2),
    y: "0 mm",
    long: mmText(round(length / 3)),
    wide: figure === "line" ? "0 mm" : mmText(round(Math.min(width, length) / 3)),
  });
  const made = (values: Partial<typeof form> = {}): Edit => {
    const { x, y, long, wide } = { ...form, ...values };
    return { kind: "add-figure", course, place: artwork.place, figure, entered: [x, y, long, wide] };
  };
  const field = (key: keyof typeof form, label: string) => (
    <FormNumber
      label={label}
      value={form[key]}
      step={0.5}
      onTyped={(entered) => setForm({ ...form, [key]: entered })}
      edit={(entered) => made({ [key]: entered })}
    />
  );
  return (
    <>
      {field("x", "New: middle, along")}
      {field("y", "New: middle, across")}
      {field("long", "New: long")}
      {field("wide", "New: wide")}
      <div className="mt-1 flex justify-end">
        <QuietButton onClick={() => workbench.drawOne(made())}>Draw the {figure}</QuietButton>
      </div>
    </>
  );
}

function Dots({ artwork }: { artwork: ArtworkShown }) {
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const [form, setForm] = useState({
    size: mmText(round(artwork.length / 12)),
    pitch: mmText(round(artwork.length / 6)),
    shift: "0 mm",
    across: mmText(round(-artwork.width / 2)),
  });
  const [order, setOrder] = useState("1");
  const made = (values: Partial<typeof form> & { order?: string } = {}): Edit => {
    const { order: entered = order, ...sizes } = values;
    return { kind: "dotted-edge", course, place: artwork.place, ...form, ...sizes, colours: entered };
  };
  const field = (key: keyof typeof form, label: string) => (
    <FormNumber
      label={label}
      value={form[key]}
      step={0.5}
      onTyped={(entered) => setForm({ ...form, [key]: entered })}
      edit={(entered) => made({ [key]: entered })}
    />
  );
  return (
    <>
      {field("size", "Dot")}
      {field("pitch", "From dot to dot")}
      {field("shift", "Start shift of the dots")}
      {field("across", "Across, from the baseline")}
      <label className="mt-1 flex items-center justify-between gap-2">
        Colours in sequence
        <input
          aria-label="Colours in sequence"
          className="measure w-[120px] rounded-field border border-(--edge) bg-base-100 px-1.5 py-0.5"
          title="Such as 1, 1, 2 or #c8553d, 1"
          value={order}
          onChange={(event) => {
            setOrder(event.target.value);
            workbench.show(made({ order: event.target.value }));
          }}
        />
      </label>
      <p className="muted mt-0.5 text-[12px]">Thread numbers or colours, with commas between: 1, 1, crimson.</p>
      <div className="mt-1 flex justify-end">
        <QuietButton onClick={() => workbench.make(made())}>Add the dots</QuietButton>
      </div>
    </>
  );
}
