/** What can be done with the chosen shapes: order, lining up, copies, grades, combining, gradients. */
import { useState } from "react";

import type { ArtworkShown, Edit, RoleDoc } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";
import { plural } from "@/shared/ui/words";

import { useBench, useWorkbench } from "../bench";
import { FormNumber, EditNumber } from "../EditNumber";
import { RoleField } from "./RoleField";
import { mmText } from "./snap";

interface Props {
  artwork: ArtworkShown;
  chosen: readonly number[];
}

export function ShapeWork({ artwork, chosen }: Props) {
  const count = chosen.length;
  return (
    <>
      <Heading>{plural(count, "shape")} chosen</Heading>
      <Order artwork={artwork} chosen={chosen} />
      {count > 1 && <Together artwork={artwork} chosen={chosen} />}
      <LineUp artwork={artwork} chosen={chosen} />
      <Mirror artwork={artwork} chosen={chosen} />
      <Round artwork={artwork} chosen={chosen} />
      <On artwork={artwork} chosen={chosen} />
      <Gradient artwork={artwork} chosen={chosen} />
    </>
  );
}

/** What every edit of the chosen shapes says. */
function useOn({ artwork, chosen }: Props) {
  const course = useBench((state) => state.course);
  return { course, place: artwork.place, which: [...chosen] };
}

const ORDER = [
  ["remove", "Remove"],
  ["double", "Duplicate"],
  ["up", "Higher"],
  ["down", "Lower"],
  ["top", "To the top"],
  ["bottom", "To the bottom"],
  ["line-to-area", "Lines to areas"],
] as const;

function Order(props: Props) {
  const workbench = useWorkbench();
  const on = useOn(props);
  return (
    <>
      <div className="mt-1 flex flex-wrap gap-1">
        {ORDER.map(([what, words]) => (
          <QuietButton key={what} onClick={() => workbench.make({ kind: "shapes", ...on, do: what })}>
            {words}
          </QuietButton>
        ))}
      </div>
      {props.chosen.length > 1 && (
        <>
          <EditNumber
            label="Turn together by"
            value="0°"
            step={5}
            edit={(turn) => ({ kind: "scale-shapes", ...on, turn })}
          />
          <EditNumber
            label="Scale together to"
            value="100 %"
            step={5}
            edit={(size) => ({ kind: "scale-shapes", ...on, size })}
          />
        </>
      )}
    </>
  );
}

const WAYS = [
  ["unite", "Unite"],
  ["cut", "Cut from the lowest"],
  ["common", "In common"],
  ["apart", "What is not in common"],
] as const;

function Together(props: Props) {
  const workbench = useWorkbench();
  const on = useOn(props);
  const [between, setBetween] = useState("3");
  const [first, last] = props.chosen;
  const grade = (entered: string): Edit | null =>
    props.chosen.length === 2
      ? { kind: "grade-shapes", course: on.course, place: on.place, first: first!, last: last!, between: entered }
      : null;
  return (
    <>
      <Heading>Combine</Heading>
      <div className="mt-1 flex flex-wrap gap-1">
        {WAYS.map(([how, words]) => (
          <QuietButton key={how} onClick={() => workbench.make({ kind: "combine-shapes", ...on, how })}>
            {words}
          </QuietButton>
        ))}
      </div>
      {props.chosen.length === 2 && (
        <>
          <Heading>Grade</Heading>
          <FormNumber label="Shapes between the two" value={between} step={1} onTyped={setBetween} edit={grade} />
          <Go onClick={() => workbench.make(grade(between)!)}>Grade between them</Go>
        </>
      )}
    </>
  );
}

const SIDES = [
  ["start", "Start"],
  ["middle", "Middle"],
  ["end", "End"],
  ["top", "Top"],
  ["baseline", "Baseline"],
  ["foot", "Foot"],
] as const;

function LineUp(props: Props) {
  const workbench = useWorkbench();
  const on = useOn(props);
  const [toCell, setToCell] = useState(true);
  const single = props.chosen.length < 2;
  return (
    <>
      <Heading>Line up</Heading>
      <div className="mt-1 flex flex-wrap gap-1">
        {SIDES.map(([side, words]) => (
          <QuietButton
            key={side}
            onClick={() => workbench.make({ kind: "align-shapes", ...on, side, to_cell: toCell || single })}
          >
            {words}
          </QuietButton>
        ))}
        {props.chosen.length > 2 && (
          <>
            <QuietButton onClick={() => workbench.make({ kind: "align-shapes", ...on, side: "evenly-along" })}>
              Evenly along
            </QuietButton>
            <QuietButton onClick={() => workbench.make({ kind: "align-shapes", ...on, side: "evenly-across" })}>
              Evenly across
            </QuietButton>
          </>
        )}
      </div>
      {!single && <LocalTick label="With the cell, not one another" value={toCell} onChange={setToCell} />}
    </>
  );
}

function Mirror(props: Props) {
  const workbench = useWorkbench();
  const on = useOn(props);
  const [keep, setKeep] = useState(true);
  return (
    <>
      <Heading>Mirror</Heading>
      <div className="mt-1 flex flex-wrap gap-1">
        <QuietButton onClick={() => workbench.make({ kind: "mirror-shapes", ...on, along: true, keep })}>
          About the cell’s middle
        </QuietButton>
        <QuietButton onClick={() => workbench.make({ kind: "mirror-shapes", ...on, along: false, keep })}>
          About the baseline
        </QuietButton>
      </div>
      <LocalTick label="Keep the originals" value={keep} onChange={setKeep} />
    </>
  );
}

function Round(props: Props) {
  const workbench = useWorkbench();
  const on = useOn(props);
  const [form, setForm] = useState({ count: "6", x: mmText(props.artwork.length / 2), y: "0 mm" });
  const made = (values: Partial<typeof form> = {}): Edit => ({ kind: "copy-round", ...on, ...form, ...values });
  return (
    <>
      <Heading>Copy round a point</Heading>
      <FormNumber
        label="Shapes in all"
        value={form.count}
        step={1}
        onTyped={(count) => setForm({ ...form, count })}
        edit={(count) => made({ count })}
      />
      <FormNumber
        label="Point, along"
        value={form.x}
        step={0.5}
        onTyped={(x) => setForm({ ...form, x })}
        edit={(x) => made({ x })}
      />
      <FormNumber
        label="Point, across"
        value={form.y}
        step={0.5}
        onTyped={(y) => setForm({ ...form, y })}
        edit={(y) => made({ y })}
      />
      <Go onClick={() => workbench.make(made())}>Copy round</Go>
    </>
  );
}

function On(props: Props) {
  const workbench = useWorkbench();
  const on = useOn(props);
  const [form, setForm] = useState({
    count: "4",
    turn: "20°",
    size: "85 %",
    x: "0 mm",
    y: "0 mm",
    shades: "",
    seed: 1,
  });
  const made = (values: Partial<typeof form> = {}): Edit => ({ kind: "copy-on", ...on, ...form, ...values });
  const field = (key: "count" | "turn" | "size" | "x" | "y", label: string, step: number) => (
    <FormNumber
      label={label}
      value={form[key]}
      step={step}
      onTyped={(entered) => setForm({ ...form, [key]: entered })}
      edit={(entered) => made({ [key]: entered })}
    />
  );
  return (
    <>
      <Heading>Copy on, each from the one before</Heading>
      {field("count", "Copies", 1)}
      {field("turn", "Turned by", 5)}
      {field("size", "Scaled to", 5)}
      {field("x", "Moved along", 0.5)}
      {field("y", "Moved across", 0.5)}
      <label className="mt-1 block">
        Shades drawn from
        <input
          className="measure mt-0.5 w-full rounded-field border border-(--edge) bg-base-100 px-1.5 py-0.5"
          placeholder="none: each keeps its own"
          value={form.shades}
          onChange={(event) => {
            setForm({ ...form, shades: event.target.value });
            workbench.show(made({ shades: event.target.value }));
          }}
        />
      </label>
      <div className="mt-1 flex gap-1">
        <QuietButton
          onClick={() => {
            const seed = form.seed + 1;
            setForm({ ...form, seed });
            workbench.show(made({ seed }));
          }}
        >
          Draw new ones
        </QuietButton>
        <QuietButton onClick={() => workbench.make(made())}>Copy on</QuietButton>
      </div>
    </>
  );
}

const FORMS = [
  ["linear", "Straight"],
  ["radial", "Round"],
] as const;

function Gradient(props: Props) {
  const workbench = useWorkbench();
  const on = useOn(props);
  const [form, setForm] = useState<"linear" | "radial">("linear");
  const [angle, setAngle] = useState("0°");
  const [from, setFrom] = useState<RoleDoc>({ thread: 1 });
  const [to, setTo] = useState<RoleDoc>({ thread: 1, lighter: -30 });
  const made = (values: { from?: RoleDoc; to?: RoleDoc; angle?: string; form?: "linear" | "radial" } = {}): Edit => ({
    kind: "set-gradient",
    ...on,
    form: values.form ?? form,
    angle: values.angle ?? angle,
    colours: [values.from ?? from, values.to ?? to],
  });
  const role = (set: (role: RoleDoc) => void, key: "from" | "to") => ({
    none: false,
    onPreview: (picked: RoleDoc | "none") => picked !== "none" && workbench.show(made({ [key]: picked })),
    onCommit: (picked: RoleDoc | "none") => {
      if (picked === "none") return Promise.resolve(null);
      set(picked);
      workbench.show(made({ [key]: picked }));
      return Promise.resolve(null);
    },
  });
  return (
    <>
      <Heading>Fill with a gradient</Heading>
      <Choice
        label="Form of the gradient"
        options={FORMS}
        value={form}
        onChange={(picked) => {
          setForm(picked);
          workbench.show(made({ form: picked }));
        }}
      />
      <RoleField label="From" value={from} {...role(setFrom, "from")} />
      <RoleField label="To" value={to} {...role(setTo, "to")} />
      {form === "linear" && (
        <FormNumber
          label="Direction"
          value={angle}
          step={15}
          onTyped={setAngle}
          edit={(entered) => made({ angle: entered })}
        />
      )}
      <Go onClick={() => workbench.make(made())}>Fill with it</Go>
    </>
  );
}

function Go({ onClick, children }: { onClick: () => unknown; children: React.ReactNode }) {
  return (
    <div className="mt-1 flex justify-end">
      <QuietButton onClick={onClick}>{children}</QuietButton>
    </div>
  );
}

function LocalTick({ label, value, onChange }: { label: string; value: boolean; onChange: (value: boolean) => void }) {
  return (
    <label className="mt-1 flex min-h-6 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-(--color-secondary)"
        checked={value}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
