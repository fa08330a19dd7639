/** A leg on the Tape: what it came to, what is left over, and whether it is off tolerance. */
import type { LegShown } from "@/shared/api/types";
import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";

import { PAD, STRIP, type TapePlace, TOP, WORDS } from "./measures";

const MIN_LABEL = 62;
const CHARACTER = 7.4;

interface Props {
  leg: LegShown;
  place: TapePlace;
  width: number;
  word: { one: string; many: string };
}

export function TapeLeg({ leg, place, width, word }: Props) {
  const length = useLength();
  const from = place.x(leg.start);
  const wide = leg.length.garment * place.perMm;
  // The words stay in sight for as long as the leg is.
  const left = Math.max(from, PAD);
  const seen = Math.min(from + wide, width - PAD) - left;
  if (seen <= 0) return null;
  const text = leg.repeats
    ? `${length.text(leg.own_length.garment, 1)} · ${plural(leg.repeats, word.one, word.many)} · ${length.bare(leg.stitch.garment)} + ${length.bare(leg.gap.garment)}`
    : `${length.text(leg.own_length.garment, 1)} · none`;
  const short = `${length.bare(leg.own_length.garment, 0)} · ${leg.repeats}`;
  const shown = seen > text.length * CHARACTER ? text : seen > MIN_LABEL ? short : "";
  const after = leg.lead * place.perMm;
  const before = (leg.left_over - leg.lead) * place.perMm;
  return (
    <g>
      <title>{text}</title>
      {leg.off && (
        <rect x={from} y={TOP + 1} width={wide} height={STRIP - 2} fill="var(--color-error)" opacity={0.14} />
      )}
      {leg.left_over > 0 && after > 0.5 && (
        <rect data-left-over x={from} y={TOP + 10} width={after} height={36} fill="url(#left-over)" />
      )}
      {before > 0.5 && (
        <rect data-left-over x={from + wide - before} y={TOP + 10} width={before} height={36} fill="url(#left-over)" />
      )}
      <text
        x={left + 2}
        y={WORDS}
        className="measure"
        fill={leg.off ? "var(--color-error)" : "var(--color-base-content)"}
      >
        {shown}
      </text>
    </g>
  );
}
