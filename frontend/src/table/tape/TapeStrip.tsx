/** A run as a strip: repeats, folds at corners, what is left over hatched, legs off tolerance tinted,
 * tight places and crossings marked; length, gap and start point can be dragged. */
import { slotsOf } from "@/shared/api/frame";
import type { CornerShown, CrossingShown, LegShown, PinchShown, RunShown } from "@/shared/api/types";
import { pressed } from "@/shared/ui/press";
import { MANNER_WORDS } from "@/shared/ui/trade";
import { mmPer, useLength } from "@/shared/ui/unit";
import { degrees, plural } from "@/shared/ui/words";

import { rowOf } from "../rows";
import { useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { niceStep } from "../view";
import { FOOT, MIDDLE, PAD, STRIP, type TapePlace, TOP } from "./measures";
import { Grips } from "./Grips";
import { covered, unbroken } from "./stretches";

const MIN_LABEL = 62;
/** Repeats closer than this are not told apart, px. */
const FINEST = 1.5;
/** A gap this wide is seen between them, px. */
const BREAK = 4;

interface Props {
  run: RunShown;
  width: number;
}

export function TapeStrip({ run, width }: Props) {
  const tape = run.tape!;
  const perMm = (width - 2 * PAD) / tape.length;
  const place: TapePlace = { perMm, x: (at) => PAD + (at - tape.start) * perMm };
  const slots = slotsOf(run);
  const light = (event: React.PointerEvent<SVGSVGElement>) => {
    if (event.buttons) return;
    const at = (event.clientX - event.currentTarget.getBoundingClientRect().left - PAD) / perMm + tape.start;
    const index = slots ? repeatAt(slots, at) : null;
    tableState().set({ lit: index === null ? null : { run: run.id, index } });
  };
  const legs = rowOf(run)?.legs ?? [];
  const count = slots ? slots.length / 2 : 0;
  const word = run.noun;
  const onTape = (at: number) => place.x(at < tape.start - 1e-6 ? at + tape.length : at);
  return (
    <svg
      width={width}
      height={114}
      role="group"
      aria-label={`${plural(legs.length, "leg")}, ${plural(count, word.one, word.many)}`}
      data-testid="tape"
      onPointerMove={light}
      onPointerLeave={() => tableState().set({ lit: null })}
    >
      <defs>
        <pattern id="left-over" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={6} height={6} fill="var(--color-base-200)" />
          <path d="M0 0V6" stroke="var(--muted)" strokeWidth={2} />
        </pattern>
      </defs>
      <rect
        x={0}
        y={TOP}
        width={width}
        height={STRIP}
        rx={3}
        fill="var(--color-base-100)"
        stroke="var(--color-base-300)"
      />
      <TapeRuler length={tape.length} start={tape.start} perMm={perMm} />
      <rect x={PAD - 6} y={MIDDLE - 12} width={width - 2 * PAD + 12} height={24} rx={2} fill="var(--cloth)" />
      {legs.map((leg, index) => (
        <TapeLeg key={index} leg={leg} place={place} word={word} />
      ))}
      {(run.pinches ?? []).map((pinch, index) => (
        <PinchMark key={index} pinch={pinch} x={onTape(pinch.start)} perMm={perMm} />
      ))}
      <Repeats run={run} slots={slots} place={place} />
      {tape.pieces.map(([from, to], index) => (
        <rect
          key={index}
          data-testid="tape-piece"
          x={Math.max(place.x(from), 0)}
          y={MIDDLE - 9}
          width={Math.max(2, (to - from) * perMm)}
          height={18}
          rx={3}
          fill="none"
          stroke="var(--color-base-100)"
          strokeWidth={1.4}
        />
      ))}
      {(run.crossings ?? []).flatMap((crossing) =>
        crossing.at.map((at) => (
          <CrossingMark key={`${crossing.key}-${at}`} run={run.id} crossing={crossing} at={at} x={onTape(at)} />
        )),
      )}
      {(run.corners ?? []).map((corner) => (
        <Fold key={`${corner.node}-${corner.at}`} corner={corner} x={onTape(corner.at)} legs={legs} perMm={perMm} />
      ))}
      {!tape.closed && (
        <>
          <EndMark end="start" x={PAD} />
          <EndMark end="end" x={PAD + tape.length * perMm} />
        </>
      )}
      {slots && count > 0 && <Grips run={run} slots={slots} place={place} />}
      <text x={PAD} y={108} fontSize={12} fill="var(--muted)">
        Drag a {word.one}’s end for its length, the gap’s end for the gap. Press a fold to give that corner a manner of
        its own.
      </text>
    </svg>
  );
}

/** The repeat that a place belongs to: its slot and the gap after it. */
function repeatAt(slots: Float32Array, at: number): number | null {
  const last = slots.length / 2 - 1;
  if (last < 0 || at < slots[0]! || at > slots[2 * last + 1]!) return null;
  let index = 0;
  while (index < last && slots[2 * index + 2]! <= at) index++;
  return index;
}

interface RepeatsProps {
  run: RunShown;
  slots: Float32Array | undefined;
  place: TapePlace;
}

function Repeats({ run, slots, place }: RepeatsProps) {
  const lit = useTableState((state) => (state.lit?.run === run.id ? state.lit.index : null));
  const weight = Math.min(9, Math.max(2.5, (rowOf(run)?.result.thread.garment ?? 1) * place.perMm));
  if (!slots?.length) return null;
  const piece = (first: number, last = first) =>
    `M${place.x(slots[2 * first]!).toFixed(1)} ${MIDDLE}H${place.x(slots[2 * last + 1]!).toFixed(1)}`;
  const count = slots.length / 2;
  // Too many to be told apart are one line, as light as they and their gaps are together.
  const fine = count * FINEST > place.perMm * run.tape!.length;
  const share = fine ? covered(slots) : 1;
  const stretches = fine
    ? unbroken(slots, BREAK / place.perMm)
    : Array.from({ length: count }, (_, i) => [i, i] as const);
  const pieces = stretches.map(([first, last]) => piece(first, last)).join("");
  const touching = (rowOf(run)?.result.gap.garment ?? 1) * place.perMm < 0.6;
  return (
    <g fill="none">
      {lit !== null && lit < count && (
        <path
          d={piece(lit)}
          stroke="var(--color-base-100)"
          opacity={0.75}
          strokeWidth={weight + 8}
          data-testid="tape-lit"
        />
      )}
      <path
        d={pieces}
        stroke={run.settings.threads![0]}
        strokeWidth={weight}
        opacity={share}
        data-testid="tape-repeats"
      />
      {touching && !fine && <Joints slots={slots} place={place} height={weight} />}
    </g>
  );
}

/** Where repeats touch, a fine line between them. */
function Joints({ slots, place, height }: { slots: Float32Array; place: TapePlace; height: number }) {
  const lines: string[] = [];
  for (let i = 0; 2 * i + 1 < slots.length; i++) {
    lines.push(`M${place.x(slots[2 * i]!).toFixed(1)} ${MIDDLE - height / 2}v${height}`);
  }
  return <path d={lines.join("")} stroke="var(--color-base-content)" strokeWidth={0.6} opacity={0.7} />;
}

interface LegProps {
  leg: LegShown;
  place: TapePlace;
  word: { one: string; many: string };
}

function TapeLeg({ leg, place, word }: LegProps) {
  const length = useLength();
  const from = place.x(leg.start);
  const wide = leg.length.garment * place.perMm;
  const text = leg.repeats
    ? `${length.text(leg.own_length.garment, 1)} · ${plural(leg.repeats, word.one, word.many)} · ${length.bare(leg.stitch.garment)} + ${length.bare(leg.gap.garment)}`
    : `${length.text(leg.own_length.garment, 1)} · none`;
  const short = `${length.bare(leg.own_length.garment, 0)} · ${leg.repeats}`;
  const shown = wide > text.length * 7.4 ? text : wide > MIN_LABEL ? short : "";
  const after = leg.lead * place.perMm;
  const before = (leg.left_over - leg.lead) * place.perMm;
  return (
    <g>
      <title>{text}</title>
      {leg.off && (
        <rect x={from} y={TOP + 1} width={wide} height={STRIP - 2} fill="var(--color-error)" opacity={0.14} />
      )}
      {leg.left_over > 0 && after > 0.5 && (
        <rect data-left-over x={from} y={TOP + 8} width={after} height={26} fill="url(#left-over)" />
      )}
      {before > 0.5 && (
        <rect data-left-over x={from + wide - before} y={TOP + 8} width={before} height={26} fill="url(#left-over)" />
      )}
      <text x={from + 2} y={14} className="measure" fill={leg.off ? "var(--color-error)" : "var(--color-base-content)"}>
        {shown}
      </text>
    </g>
  );
}

function PinchMark({ pinch, x, perMm }: { pinch: PinchShown; x: number; perMm: number }) {
  const { text } = useLength();
  const width = Math.max(3, (pinch.end - pinch.start) * perMm);
  return (
    <g data-testid="pinch">
      <title>{`radius ${text(pinch.radius)}, needs ${text(pinch.needs)}`}</title>
      <path d={`M${x} ${TOP + 4}h${width}`} stroke="var(--color-error)" strokeWidth={4} />
    </g>
  );
}

function CrossingMark({ run, crossing, at, x }: { run: string; crossing: CrossingShown; at: number; x: number }) {
  const session = useSheetSession();
  const over = Math.abs(at - crossing.over) < 1e-6;
  const y = over ? MIDDLE - 15 : MIDDLE + 15;
  return (
    <g
      {...pressed(() => void session.command({ kind: "flip-crossing", run, key: crossing.key }))}
      aria-label={`Crossing at ${degrees(crossing.angle)}, ${over ? "over" : "under"} here`}
      style={{ cursor: "pointer" }}
    >
      <rect x={x - 8} y={y - 8} width={16} height={16} fill="transparent" />
      <path
        d={`M${x} ${y - 5}l5 5l-5 5l-5 -5z`}
        fill={over ? "var(--color-base-content)" : "var(--color-base-100)"}
        stroke="var(--color-base-content)"
      />
    </g>
  );
}

/** An open run's end on the Tape, to be picked. */
function EndMark({ end, x }: { end: "start" | "end"; x: number }) {
  const chosen = useTableState((state) => state.place?.kind === "end" && state.place.key === end);
  const pick = () => tableState().set({ place: { kind: "end", key: end } });
  const out = end === "start" ? -6 : 6;
  return (
    <g
      {...pressed(pick)}
      aria-label={end === "start" ? "Start of the run, on the Tape" : "End of the run, on the Tape"}
      aria-pressed={chosen}
      data-testid={`tape-${end}`}
      style={{ cursor: "pointer" }}
    >
      <rect x={x - 12} y={FOOT - 14} width={24} height={24} fill="transparent" />
      <path
        d={`M${x} ${FOOT - 2}v-12h${out}`}
        fill="none"
        stroke="var(--color-base-content)"
        strokeWidth={chosen ? 3.4 : 2}
      />
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
  const chosen = useTableState((state) => state.place?.kind === "corner" && state.place.key === corner.node);
  const after = legs.find((leg) => leg.node === corner.node);
  const roomy = !after || after.length.garment * perMm > 46;
  const pick = () => tableState().set({ place: { kind: "corner", key: corner.node } });
  const manner = (MANNER_WORDS[corner.manner] ?? "").toLowerCase();
  return (
    <g
      data-testid="fold"
      {...pressed(pick)}
      aria-label={`Fold: turns ${degrees(corner.turn)}, ${manner}`}
      aria-pressed={chosen}
      style={{ cursor: "pointer" }}
    >
      <title>{`turns ${degrees(corner.turn)}, ${manner}`}</title>
      <rect
        x={x - 9}
        y={TOP}
        width={18}
        height={STRIP}
        fill={chosen ? "var(--color-accent)" : "transparent"}
        opacity={0.35}
      />
      <path d={`M${x - 6} ${TOP}l6 7l6 -7zM${x - 6} ${FOOT}l6 -7l6 7z`} fill="var(--color-base-content)" />
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
  const { unit } = useLength();
  // All of it in mm: one division is so many, and stands for so much of the unit.
  const perUnit = mmPer(unit);
  const fine = (niceStep(perMm * perUnit, 74) / 10) * perUnit;
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
                {Number(((start + i * fine) / perUnit).toPrecision(6))}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
