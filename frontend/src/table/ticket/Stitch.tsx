/** Set against result: length, gap, pitch, stitches to the inch, count; then size and line weight. */
import { NumberField } from "@/shared/ui/NumberField";
import { useLength } from "@/shared/ui/unit";
import { capital, fixed, setText } from "@/shared/ui/words";
import type { SetLength, Lengths } from "@/shared/api/types";

import { useShown } from "../sheet";
import { Decision } from "@/shared/maker/Decision";
import { NumberRow } from "@/shared/maker/fields";
import { Own } from "@/shared/maker/Own";
import { useRow } from "@/shared/maker/maker";

import { useRun, useSettings, useShownRow } from "./settings";

export function Stitch() {
  const run = useRun();
  const place = useRow();
  const shown = useShownRow();
  const length = useLength();
  if (!place || !shown) return null;
  const { row, at } = place;
  const { set, result } = shown;
  const stitches = run.settings.kind === "stitch";
  const word = run.noun;
  const on = set.stitch.on === "paper" ? "paper" : "garment";
  const gap = set.gap.on === "share" ? setText(set.gap) : length.bare(set.gap[on]);
  const pointers = row.motif?.family === "running" ? ["length", "gap"] : ["length", "gap", "size", "weight"];
  return (
    <Decision
      id="stitch"
      label={capital(word.one)}
      set={
        <span className="measure">
          {trimmed(length.bare(set.stitch[on]))} + {trimmed(gap)}
        </span>
      }
      result={`${length.bare(result.stitch[on])} + ${length.bare(result.gap[on])}`}
      pointers={pointers.map(at)}
    >
      <table className="mt-1.5 w-full" aria-label="Measures">
        <MeasureHead />
        <tbody>
          <MeasureRow
            label={stitches ? "Stitch length" : `${capital(word.one)} length`}
            pointer={at("length")}
            set={set.stitch}
            result={result.stitch}
            step={0.1}
          />
          <MeasureRow label="Gap" pointer={at("gap")} set={set.gap} result={result.gap} step={0.1} />
          <Row label="Pitch" set={length.text(set.pitch.garment)} result={length.bare(result.pitch.garment)} />
          {stitches && (
            <Row
              label="To the inch"
              set={set.spi === null ? "none" : fixed(set.spi)}
              result={result.spi === null ? "none" : fixed(result.spi)}
            />
          )}
          <Row label={capital(word.many)} set="" result={result.repeats.toLocaleString("en")} testId="count" />
        </tbody>
      </table>
      {row.motif?.family !== "running" && (
        <div className="border-t border-dotted border-base-300 pt-1">
          <NumberRow label="Size" pointer={at("size")} value={`${row.size} %`} step={5} />
          <NumberRow label="Line weight" pointer={at("weight")} value={`${row.weight} %`} step={5} />
        </div>
      )}
    </Decision>
  );
}

export function MeasureHead() {
  return (
    <thead>
      <tr className="muted text-[12px]">
        <th scope="col">
          <span className="sr-only">Measure</span>
        </th>
        <th scope="col" className="text-right font-normal">
          set
        </th>
        <th scope="col" className="text-right font-normal">
          result
        </th>
      </tr>
    </thead>
  );
}

function Row({ label, set, result, testId }: { label: string; set: string; result: string; testId?: string }) {
  return (
    <tr className="border-t border-dotted border-base-300">
      <th scope="row" className="py-[3px] text-left font-normal whitespace-nowrap">
        {label}
      </th>
      <td className="measure pr-[7px] text-right">{set}</td>
      <td className="measure w-[58px] text-right" data-testid={testId && `laid-${testId}`}>
        {result}
      </td>
    </tr>
  );
}

/** What was set, as somebody would write it: 6, not 6.00. */
const trimmed = (text: string) => text.replace(/(\.\d*?)0+$/, "$1").replace(/\.$/, "");

interface MeasureProps {
  label: string;
  pointer: string;
  set: SetLength;
  result: Lengths;
  step: number;
}

export function MeasureRow({ label, pointer, set, result, step }: MeasureProps) {
  const settings = useSettings();
  const scaled = useShown((frame) => frame.sheet).factor !== 1;
  const onPaper = set.on === "paper";
  const { bare } = useLength();
  return (
    <tr className="border-t border-dotted border-base-300 align-top">
      <th scope="row" className="py-[3px] text-left font-normal whitespace-nowrap">
        {label}
        <Own pointer={pointer} label={label} />
        {scaled && set.on !== "share" && <MeasuredOnToggle label={label} pointer={pointer} on={set.on} />}
      </th>
      <td className="py-[3px] text-right">
        <NumberField
          label={label}
          value={setText(set)}
          step={step}
          onPreview={(entered) => settings.tryOut(pointer, entered)}
          onCommit={(entered) => settings.keep(pointer, entered)}
          onCancel={settings.forget}
        />
        {scaled && (
          <Other className="pr-1.5" value={onPaper ? set.garment : set.paper} on={onPaper ? "garment" : "paper"} />
        )}
      </td>
      <td className="measure py-[5px] text-right leading-[1.3]" data-testid={`laid-${label}`}>
        {bare(onPaper ? result.paper : result.garment)}
        {scaled && <Other className="mt-[5px]" value={onPaper ? result.garment : result.paper} />}
      </td>
    </tr>
  );
}

/** The same length on the garment, or on paper. */
function Other({ value, on, className }: { value: number; on?: string; className: string }) {
  const { bare } = useLength();
  return (
    <span className={`measure muted block leading-[22px] ${className}`}>
      {bare(value)} {on}
    </span>
  );
}

function MeasuredOnToggle({ label, pointer, on }: { label: string; pointer: string; on: "garment" | "paper" }) {
  const settings = useSettings();
  const other = on === "garment" ? "paper" : "garment";
  return (
    <button
      className="block min-h-6 cursor-pointer text-[12px] text-accent underline decoration-dotted underline-offset-2"
      title={`Set on ${place(on)}. Press to set it on ${place(other)}; what is drawn stays the same.`}
      aria-label={`${label} is set on ${place(on)}: set it on ${place(other)}`}
      onClick={() => void settings.measureOn(pointer, other)}
    >
      {on}
    </button>
  );
}

const place = (on: "garment" | "paper") => (on === "paper" ? "paper" : "the garment");
