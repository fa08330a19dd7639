/** A run as a strip: its artwork, folds at corners, what is left over hatched, legs off tolerance tinted, tight places
 * and crossings marked; length, gap, start point and end pieces can be dragged. */
import { useDrag } from "@use-gesture/react";
import { useRef } from "react";

import { api } from "@/shared/api/client";
import { slotsOf } from "@/shared/api/frame";
import type { RunShown } from "@/shared/api/types";
import { plural } from "@/shared/ui/words";

import { repeatKey } from "../repeats";
import { rowOf } from "../rows";
import { useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { Grips } from "./Grips";
import { CrossingMark, EndMark, Fold, PinchMark, RepeatMark } from "./Marks";
import { CLOTH, FOOT, HEIGHT, MIDDLE, placeOf, STRIP, type TapePlace, TOP } from "./measures";
import { Overview } from "./Overview";
import { TapeArt } from "./TapeArt";
import { TapeLeg } from "./TapeLeg";
import { TapeRuler } from "./TapeRuler";
import { type TapeScroll, useTapeWheel } from "./useTapeWindow";

/** Marks are drawn as far as this beyond what is seen, px. */
const BESIDE = 20;

interface Props {
  run: RunShown;
  scroll: TapeScroll;
  width: number;
}

export function TapeStrip({ run, scroll, width }: Props) {
  const box = useRef<HTMLDivElement>(null);
  useTapeWheel(box, scroll);
  return (
    <div ref={box} className="relative" style={{ width, height: HEIGHT }}>
      <div className="absolute inset-x-0 overflow-hidden rounded-[2px] bg-(--cloth)" style={{ top: MIDDLE - CLOTH }}>
        <TapeArt run={run} window={scroll.window} width={width} />
      </div>
      <StripMarks run={run} scroll={scroll} width={width} />
    </div>
  );
}

/** Whether something under the pointer has a drag of its own. */
const isHandle = (event: Event) => (event.target as Element).closest("[role=button], [role=slider]") !== null;

function StripMarks({ run, scroll, width }: Props) {
  const session = useSheetSession();
  const place = placeOf(scroll.window);
  const slots = slotsOf(run);
  const legs = rowOf(run)?.legs ?? [];
  const count = slots ? slots.length / 2 : 0;
  const { one, many } = run.noun;
  const light = (event: React.PointerEvent<SVGSVGElement>) => {
    if (event.buttons) return;
    const at = place.at(event.clientX - event.currentTarget.getBoundingClientRect().left);
    const index = slots ? repeatAt(slots, at) : null;
    tableState().set({ lit: index === null ? null : { run: run.id, index } });
  };
  const svg = useRef<SVGSVGElement>(null);
  /** The repeat at a place in the window, px. */
  const choose = async (x: number) => {
    const at = place.at(x - svg.current!.getBoundingClientRect().left);
    if (!slots || repeatAt(slots, at) === null) return;
    const repeat = await api.repeatAt(session.id, run.id, at).catch(() => null);
    if (repeat) tableState().set({ place: { kind: "repeat", key: repeatKey(repeat) } });
  };
  const bind = useDrag(
    ({ event, first, tap, xy: [x], delta: [dx], memo }) => {
      const held = first ? isHandle(event) : (memo as boolean);
      if (!held && tap) void choose(x);
      else if (!held) scroll.move(-dx);
      return held;
    },
    { pointer: { buttons: [1], keys: false } },
  );
  return (
    <svg
      {...bind()}
      ref={svg}
      width={width}
      height={HEIGHT}
      role="group"
      aria-label={`${plural(legs.length, "leg")}, ${plural(count, one, many)}`}
      data-testid="tape"
      className="absolute inset-0"
      style={{ touchAction: "none" }}
      onPointerMove={(event) => {
        bind().onPointerMove?.(event);
        light(event);
      }}
      onPointerLeave={() => tableState().set({ lit: null })}
    >
      <defs>
        <pattern id="left-over" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={6} height={6} fill="var(--color-base-200)" />
          <path d="M0 0V6" stroke="var(--muted)" strokeWidth={2} />
        </pattern>
      </defs>
      <rect x={0} y={MIDDLE + CLOTH} width={width} height={FOOT - MIDDLE - CLOTH} fill="var(--color-base-100)" />
      <TapeRuler start={run.tape!.start} length={run.tape!.length} place={place} width={width} />
      {legs.map((leg, index) => (
        <TapeLeg key={index} leg={leg} place={place} width={width} word={run.noun} />
      ))}
      <Lit run={run} slots={slots} place={place} />
      <Places run={run} place={place} width={width} />
      <rect
        x={0.5}
        y={TOP + 0.5}
        width={width - 1}
        height={STRIP - 1}
        rx={3}
        fill="none"
        stroke="var(--color-base-300)"
        pointerEvents="none"
      />
      {slots && count > 0 && <Grips run={run} slots={slots} place={place} width={width} />}
      <Overview run={run} scroll={scroll} width={width} />
    </svg>
  );
}

/** What is marked along the run, as far as it is seen. */
function Places({ run, place, width }: { run: RunShown; place: TapePlace; width: number }) {
  const tape = run.tape!;
  const legs = rowOf(run)?.legs ?? [];
  const onTape = (at: number) => place.x(at < tape.start - 1e-6 ? at + tape.length : at);
  const seen = (at: number) => onTape(at) > -BESIDE && onTape(at) < width + BESIDE;
  return (
    <>
      {tape.pieces.map(([from, to], index) => (
        <rect
          key={index}
          data-testid="tape-piece"
          x={place.x(from)}
          y={MIDDLE - CLOTH + 2}
          width={Math.max(2, (to - from) * place.perMm)}
          height={2 * CLOTH - 4}
          rx={3}
          fill="none"
          stroke="var(--color-base-100)"
          strokeWidth={1.2}
        />
      ))}
      {(run.pinches ?? []).map((pinch, index) => (
        <PinchMark key={index} pinch={pinch} x={onTape(pinch.start)} perMm={place.perMm} />
      ))}
      {(run.crossings ?? []).flatMap((crossing) =>
        crossing.at
          .filter(seen)
          .map((at) => (
            <CrossingMark key={`${crossing.key}-${at}`} run={run.id} crossing={crossing} at={at} x={onTape(at)} />
          )),
      )}
      {(run.corners ?? [])
        .filter(({ at }) => seen(at))
        .map((corner) => (
          <Fold
            key={`${corner.node}-${corner.at}`}
            corner={corner}
            x={onTape(corner.at)}
            legs={legs}
            perMm={place.perMm}
          />
        ))}
      {(run.repeats ?? [])
        .filter(({ at }) => seen(at))
        .map((repeat) => (
          <RepeatMark key={repeatKey(repeat)} repeat={repeat} x={onTape(repeat.at)} />
        ))}
      {!tape.closed && seen(0) && <EndMark end="start" x={place.x(0)} />}
      {!tape.closed && seen(tape.length) && <EndMark end="end" x={place.x(tape.length)} />}
    </>
  );
}

/** The repeat that a place belongs to: its slot and the gap after it. */
function repeatAt(slots: Float32Array, at: number): number | null {
  const last = slots.length / 2 - 1;
  if (last < 0 || at < slots[0]! || at > slots[2 * last + 1]!) return null;
  let [low, high] = [0, last];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (slots[2 * middle]! <= at) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** The repeat that is pointed at, here or on the sheet. */
function Lit({ run, slots, place }: { run: RunShown; slots: Float32Array | undefined; place: TapePlace }) {
  const lit = useTableState((state) => (state.lit?.run === run.id ? state.lit.index : null));
  if (lit === null || !slots || lit >= slots.length / 2) return null;
  const [from, to] = [place.x(slots[2 * lit]!), place.x(slots[2 * lit + 1]!)];
  return (
    <rect
      data-testid="tape-lit"
      x={from - 1}
      y={MIDDLE - CLOTH}
      width={to - from + 2}
      height={2 * CLOTH}
      fill="var(--color-base-100)"
      fillOpacity={0.3}
      pointerEvents="none"
    />
  );
}
