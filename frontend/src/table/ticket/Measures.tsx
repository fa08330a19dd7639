/** Asked against laid: length, gap, pitch, stitches to the inch, thread, count; then size and offset. */
import { NumberField } from "@/shared/ui/NumberField";
import { useLength } from "@/shared/ui/unit";
import { askedText, fixed } from "@/shared/ui/words";
import type { AskedLength, Lengths } from "@/shared/api/types";

import { useShown } from "../sheet";
import { mmText, NumberRow } from "@/shared/maker/fields";
import { Own } from "@/shared/maker/Own";
import { useRow } from "@/shared/maker/maker";

import { repeatWord, useRun, useSettings, useShownRow } from "./settings";

export function Measures() {
  const run = useRun();
  const place = useRow();
  const shown = useShownRow();
  const length = useLength();
  if (!place || !shown) return null;
  const { row, at } = place;
  const { asked, laid } = shown;
  const stitches = run.settings.kind === "stitch";
  const word = repeatWord(run);
  return (
    <>
      <table className="mt-1.5 w-full" aria-label="Measures">
        <thead>
          <tr className="muted text-[12px]">
            <th scope="col">
              <span className="sr-only">Measure</span>
            </th>
            <th scope="col" className="text-right font-normal">
              asked
            </th>
            <th scope="col" className="text-right font-normal">
              laid
            </th>
          </tr>
        </thead>
        <tbody>
          <MeasureRow
            label={stitches ? "Stitch length" : `${capital(word.one)} length`}
            pointer={at("length")}
            asked={asked.stitch}
            laid={laid.stitch}
            step={0.1}
          />
          <MeasureRow label="Gap" pointer={at("gap")} asked={asked.gap} laid={laid.gap} step={0.1} />
          <Row label="Pitch" asked={length.text(asked.pitch.garment)} laid={length.bare(laid.pitch.garment)} />
          {stitches && (
            <Row
              label="To the inch"
              asked={asked.spi === null ? "none" : fixed(asked.spi)}
              laid={laid.spi === null ? "none" : fixed(laid.spi)}
            />
          )}
          {asked.thread && row.motif?.family === "running" && (
            <MeasureRow
              label="Thread"
              pointer={at("motif/thread")}
              asked={asked.thread}
              laid={laid.thread}
              step={0.05}
            />
          )}
          <Row label={capital(word.many)} asked="" laid={laid.repeats.toLocaleString("en")} testId="count" />
        </tbody>
      </table>
      <div className="border-t border-dotted border-base-300 pt-1">
        <NumberRow label="Offset" pointer={at("offset")} value={mmText(row.offset)} step={0.5} />
        {row.motif?.family !== "running" && (
          <>
            <NumberRow label="Size" pointer={at("size")} value={`${row.size} %`} step={5} />
            <NumberRow label="Line weight" pointer={at("weight")} value={`${row.weight} %`} step={5} />
          </>
        )}
      </div>
    </>
  );
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

function Row({ label, asked, laid, testId }: { label: string; asked: string; laid: string; testId?: string }) {
  return (
    <tr className="border-t border-dotted border-base-300">
      <th scope="row" className="py-[3px] text-left font-normal">
        {label}
      </th>
      <td className="measure pr-[7px] text-right">{asked}</td>
      <td className="measure w-[58px] text-right" data-testid={testId && `laid-${testId}`}>
        {laid}
      </td>
    </tr>
  );
}

interface MeasureProps {
  label: string;
  pointer: string;
  asked: AskedLength;
  laid: Lengths;
  step: number;
}

function MeasureRow({ label, pointer, asked, laid, step }: MeasureProps) {
  const settings = useSettings();
  const scaled = useShown((frame) => frame.sheet).factor !== 1;
  const onPaper = asked.on === "paper";
  const { bare } = useLength();
  return (
    <tr className="border-t border-dotted border-base-300 align-top">
      <th scope="row" className="py-[3px] text-left font-normal">
        {label}
        <Own pointer={pointer} label={label} />
        {scaled && asked.on !== "share" && <MeasuredOnToggle label={label} pointer={pointer} on={asked.on} />}
      </th>
      <td className="py-[3px] text-right">
        <NumberField
          label={label}
          value={askedText(asked)}
          step={step}
          onPreview={(entered) => settings.tryOut(pointer, entered)}
          onCommit={(entered) => settings.keep(pointer, entered)}
          onCancel={settings.forget}
        />
        {scaled && (
          <Other className="pr-1.5" value={onPaper ? asked.garment : asked.paper} on={onPaper ? "garment" : "paper"} />
        )}
      </td>
      <td className="measure py-[5px] text-right leading-[1.3]" data-testid={`laid-${label}`}>
        {bare(onPaper ? laid.paper : laid.garment)}
        {scaled && <Other className="mt-[5px]" value={onPaper ? laid.garment : laid.paper} />}
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
