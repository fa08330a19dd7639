/** A run as a strip: repeats, folds at corners, what is left over hatched, legs off tolerance tinted. */
import type { CornerShown, LegShown, RunShown } from "@/shared/api/types";
import { MANNER_WORDS } from "@/shared/ui/trade";
import { degrees, fixed, plural } from "@/shared/ui/words";

import { useShown } from "../sheet";
import { hand, useHand } from "../state";
import { niceStep } from "../view";

const TOP = 24;
const STRIP = 50;
const FOOT = TOP + STRIP;
const MIDDLE = TOP + 21;
const PAD = 12;
const LEAST_LABEL = 62;

interface Props {
  run: RunShown;
  width: number;
}

export function TapeStrip({ run, width }: Props) {
  const shown = useShown();
  const tape = run.tape!;
  const perMm = (width - 2 * PAD) / tape.length;
  const x = (at: number) => PAD + (at - tape.start) * perMm;
  const slots = shown.slots.get(run.id);
  const light = (event: React.PointerEvent<SVGSVGElement>) => {
    const at = (event.clientX - event.currentTarget.getBoundingClientRect().left - PAD) / perMm + tape.start;
    const index = slots ? repeatAt(slots, at) : null;
    hand().set({ lit: index === null ? null : { run: run.id, index } });
  };
  const legs = run.legs ?? [];
  return (
    <svg
      width={width}
      height={112}
      role="img"
      aria-label={`${plural(legs.length, "leg")}, ${plural(slots ? slots.length / 2 : 0, "stitch", "stitches")}`}
      data-testid="tape"
      onPointerMove={light}
      onPointerLeave={() => hand().set({ lit: null })}
    >
      <defs>
        <pattern id="left-over" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={6} height={6} fill="var(--color-base-200)" />
          <path d="M0 0V6" stroke="var(--muted)" strokeWidth={2} />
        </pattern>
      </defs>
      <rect x={0} y={TOP} width={width} height={STRIP} rx={3} fill="var(--color-base-100)" stroke="var(--color-base-300)" />
      <TapeRuler length={tape.length} start={tape.start} perMm={perMm} />
      <rect x={PAD - 6} y={MIDDLE - 12} width={width - 2 * PAD + 12} height={24} rx={2} fill="var(--cloth)" />
      {legs.map((leg, index) => (
        <TapeLeg key={index} leg={leg} x={x} perMm={perMm} />
      ))}
      <Repeats run={run} slots={slots} x={x} perMm={perMm} />
      {(run.corners ?? []).map((corner) => (
        <Fold key={`${corner.node}-${corner.at}`} corner={corner} x={x(onTape(corner.at, tape))} legs={legs} perMm={perMm} />
      ))}
    </svg>
  );
}

/** A place on the tape: a closed path's may come before the tape's start. */
function onTape(at: number, tape: { start: number; length: number }): number {
  return at < tape.start - 1e-6 ? at + tape.length : at;
}

/** The repeat whose slot holds a place, or the nearest within half a slot. */
function repeatAt(slots: Float32Array, at: number): number | null {
  for (let i = 0; 2 * i + 1 < slots.length; i++) {
    const [start, end] = [slots[2 * i]!, slots[2 * i + 1]!];
    if (at >= start - (end - start) * 0.1 && at <= end + (end - start) * 0.1) return i;
  }
  return null;
}

interface RepeatsProps {
  run: RunShown;
  slots: Float32Array | undefined;
  x: (at: number) => number;
  perMm: number;
}

function Repeats({ run, slots, x, perMm }: RepeatsProps) {
  const lit = useHand((state) => (state.lit?.run === run.id ? state.lit.index : null));
  const weight = Math.min(9, Math.max(2.5, (run.laid?.thread.worn ?? 1) * perMm));
  const pieces: string[] = [];
  for (let i = 0; slots && 2 * i + 1 < slots.length; i++) {
    pieces.push(`M${x(slots[2 * i]!).toFixed(1)} ${MIDDLE}H${x(slots[2 * i + 1]!).toFixed(1)}`);
  }
  return (
    <g fill="none">
      {lit !== null && pieces[lit] && (
        <path d={pieces[lit]} stroke="var(--color-base-100)" opacity={0.75} strokeWidth={weight + 8} data-testid="tape-lit" />
      )}
      <path d={pieces.join("")} stroke={run.settings.threads![0]} strokeWidth={weight} data-testid="tape-repeats" />
    </g>
  );
}

function TapeLeg({ leg, x, perMm }: { leg: LegShown; x: (at: number) => number; perMm: number }) {
  const from = x(leg.start);
  const wide = leg.length.worn * perMm;
  const text = leg.repeats
    ? `${fixed(leg.length.worn, 1)} mm · ${plural(leg.repeats, "stitch", "stitches")} · ${fixed(leg.stitch.worn)} + ${fixed(leg.gap.worn)}`
    : `${fixed(leg.length.worn, 1)} mm · none`;
  const short = `${fixed(leg.length.worn, 0)} · ${leg.repeats}`;
  const shown = wide > text.length * 7.4 ? text : wide > LEAST_LABEL ? short : "";
  const after = leg.lead * perMm;
  const before = (leg.left_over - leg.lead) * perMm;
  return (
    <g>
      <title>{text}</title>
      {leg.off && <rect x={from} y={TOP + 1} width={wide} height={STRIP - 2} fill="var(--color-error)" opacity={0.14} />}
      {after > 0.5 && <rect data-left-over x={from} y={TOP + 8} width={after} height={26} fill="url(#left-over)" />}
      {before > 0.5 && (
        <rect data-left-over x={from + wide - before} y={TOP + 8} width={before} height={26} fill="url(#left-over)" />
      )}
      <text x={from + 2} y={14} className="measure" fill={leg.off ? "var(--color-error)" : "var(--color-base-content)"}>
        {shown}
      </text>
    </g>
  );
}

interface FoldProps {
  corner: CornerShown;
  x: number;
  legs: LegShown[];
  perMm: number;
}

function Fold({ corner, x, legs, perMm }: FoldProps) {
  const after = legs.find((leg) => leg.node === corner.node);
  const roomy = !after || after.length.worn * perMm > 46;
  return (
    <g data-testid="fold">
      <title>{`turns ${degrees(corner.turn)}, ${(MANNER_WORDS[corner.manner] ?? "").toLowerCase()}`}</title>
      <path
        d={`M${x - 6} ${TOP}l6 7l6 -7zM${x - 6} ${FOOT}l6 -7l6 7z`}
        fill="var(--color-base-content)"
      />
      <path d={`M${x} ${TOP + 7}V${FOOT - 7}`} stroke="var(--color-base-100)" strokeDasharray="2 2" />
      {roomy && (
        <text x={x + 8} y={FOOT - 5} className="measure" fill="var(--color-base-content)">
          {degrees(corner.turn)}
        </text>
      )}
    </g>
  );
}

function TapeRuler({ length, start, perMm }: { length: number; start: number; perMm: number }) {
  const step = niceStep(perMm, 74);
  const fine = step / 10;
  const count = Math.floor(length / fine + 1e-6);
  return (
    <g stroke="var(--muted)" fill="var(--muted)" className="measure">
      {Array.from({ length: count + 1 }, (_, i) => {
        const at = PAD + i * fine * perMm;
        return (
          <g key={i}>
            <path d={`M${at} ${FOOT}v${i % 10 === 0 ? -8 : i % 5 === 0 ? -6 : -4}`} />
            {i % 10 === 0 && (
              <text x={at} y={FOOT + 14} textAnchor="middle" stroke="none">
                {Number((start + i * fine).toPrecision(6))}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
