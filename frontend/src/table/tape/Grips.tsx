/** Grips on one repeat of the Tape: its end for the length, the gap's end for the gap; the start point, and the inner
 * ends of end pieces. */
import { useDrag } from "@use-gesture/react";

import type { Intent, RunShown } from "@/shared/api/types";

import { stop } from "@/shared/ui/stops";

import { rowOf } from "../rows";
import { useChosen, useSheetSession, useFrame } from "../sheet";
import { useTableState } from "../state";
import { CLOTH, MIDDLE, PAD, STRIP, TOP, type TapePlace } from "./measures";

interface Props {
  run: RunShown;
  slots: Float32Array;
  place: TapePlace;
  width: number;
}

export function Grips({ run, slots, place, width }: Props) {
  const lit = useTableState((state) => (state.lit?.run === run.id ? state.lit.index : null));
  const { path } = useChosen();
  const index = Math.min(lit ?? firstSeen(slots, place), slots.length / 2 - 1);
  const end = slots[2 * index + 1]!;
  const next = slots[2 * index + 2];
  const seen = place.x(end) <= width - PAD;
  return (
    // Under the pointer the grips stay with their repeat, whichever the pointer comes over.
    <g onPointerMove={(event) => event.stopPropagation()}>
      {seen && <MeasureGrip run={run} place={place} name="length" at={end} />}
      {seen && next !== undefined && next > end + 1e-6 && <MeasureGrip run={run} place={place} name="gap" at={next} />}
      {path?.closed && run.tape!.closed && place.x(run.tape!.start) > 0 && <StartGrip run={run} place={place} />}
      {!run.tape!.closed && PIECES.map((piece) => <PieceGrip key={piece} run={run} place={place} piece={piece} />)}
    </g>
  );
}

/** The first repeat that is seen whole. */
function firstSeen(slots: Float32Array, place: TapePlace): number {
  const first = slots.findIndex((at, i) => i % 2 === 0 && place.x(at) >= PAD - 1);
  return first < 0 ? 0 : first / 2;
}

interface GripProps {
  testId: string;
  /** What it changes, in words. */
  what: string;
  place: TapePlace;
  /** One press of an arrow key, garment mm. */
  nudge: number;
  /** Where it can be grasped: px, from top to foot of the cloth unless more is said. */
  x: number;
  y?: number;
  width?: number;
  height?: number;
  /** What a drag by so many garment mm would do. */
  intent: (moved: number) => Intent | null;
  /** How it is drawn. */
  children: React.ReactNode;
}

/** Dragged along the Tape: a preview while it moves, one step when let go; arrow keys take a step each. */
function TapeGrip({ testId, what, place, nudge, x, intent, children, ...box }: GripProps) {
  const { y = MIDDLE - CLOTH, width = 14, height = 2 * CLOTH } = box;
  const session = useSheetSession();
  const bind = useDrag(
    ({ movement: [mx], last, tap }) => {
      const made = tap ? null : intent(mx / place.perMm);
      if (!made) return;
      if (last) void session.command(made);
      else session.drag(made);
    },
    { filterTaps: true, pointer: { buttons: [1], keys: false } },
  );
  const onKeyDown = (event: React.KeyboardEvent) => {
    const way = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const made = way ? intent(way * nudge) : null;
    if (!made) return;
    event.preventDefault();
    event.stopPropagation();
    void session.command(made);
  };
  return (
    <g
      {...bind()}
      {...stop}
      role="button"
      data-testid={testId}
      aria-label={`${what}: drag, or arrow keys`}
      style={{ cursor: "ew-resize", touchAction: "none" }}
      onKeyDown={onKeyDown}
    >
      <title>{`Drag: ${what.charAt(0).toLowerCase()}${what.slice(1)}`}</title>
      <rect x={x} y={y} width={width} height={height} fill="transparent" />
      {children}
    </g>
  );
}

const setOn = (run: RunShown, name: string, mm: number): Intent => ({
  kind: "set-on-runs",
  runs: [run.id],
  settings: [{ pointer: `/courses/${run.main}/${name}`, entered: `${Number(mm.toFixed(2))} mm` }],
});

interface MeasureProps {
  run: RunShown;
  place: TapePlace;
  name: "length" | "gap";
  at: number;
}

function MeasureGrip({ run, place, name, at }: MeasureProps) {
  const session = useSheetSession();
  const { factor } = useFrame("sheet").sheet;
  const kept = session.keptRun(run.id);
  const measures = kept && rowOf(kept)?.set;
  const set = name === "length" ? measures?.stitch : measures?.gap;
  const intent = (moved: number) =>
    set ? setOn(run, name, (set.garment + moved) * (set.on === "paper" ? factor : 1)) : null;
  const x = place.x(at);
  return (
    <TapeGrip
      testId={`grip-${name}`}
      what={name === "length" ? "Length of a repeat" : "Gap"}
      place={place}
      nudge={0.1}
      x={x - 7}
      intent={intent}
    >
      <path
        d={name === "length" ? `M${x} ${MIDDLE - 16}v32` : `M${x - 4} ${MIDDLE - 16}h4v32h-4`}
        stroke="var(--color-base-100)"
        strokeWidth={2}
        fill="none"
      />
    </TapeGrip>
  );
}

function StartGrip({ run, place }: { run: RunShown; place: TapePlace }) {
  const session = useSheetSession();
  const { factor } = useFrame("sheet").sheet;
  const kept = session.keptRun(run.id)?.places.start ?? 0;
  const x = place.x(run.tape!.start);
  return (
    <TapeGrip
      testId="grip-start"
      what="Start point"
      place={place}
      nudge={1}
      x={x - 12}
      y={TOP}
      height={STRIP}
      intent={(moved) => ({ kind: "slide-start", run: run.id, to: kept + moved * factor })}
    >
      <path d={`M${x - 9} ${MIDDLE - 7}l9 7l-9 7z`} fill="var(--color-base-content)" />
    </TapeGrip>
  );
}

const PIECES = ["start", "end"] as const;
type PieceEnd = (typeof PIECES)[number];

/** The room of a run's piece at one of its ends, if it has one. */
function roomOf(run: RunShown | undefined, piece: PieceEnd) {
  const row = run?.main == null ? undefined : run.settings.courses?.[run.main];
  return row?.course === "row" ? row.pieces?.[piece]?.length : undefined;
}

/** The inner end of an end piece: dragged, it gives the piece more room or less. */
function PieceGrip({ run, place, piece }: { run: RunShown; place: TapePlace; piece: PieceEnd }) {
  const session = useSheetSession();
  const { factor } = useFrame("sheet").sheet;
  const { pieces, length } = run.tape!;
  const lies = piece === "start" ? pieces.find(([from]) => from < 1e-3) : pieces.find(([, to]) => to > length - 1e-3);
  const room = roomOf(session.keptRun(run.id), piece);
  if (!roomOf(run, piece) || !room || !lies) return null;
  const inwards = (piece === "start" ? 1 : -1) * (room.on === "paper" ? factor : 1);
  const x = place.x(piece === "start" ? lies[1] : lies[0]);
  return (
    <TapeGrip
      testId={`grip-${piece}-piece`}
      what={`Room of the ${piece} piece`}
      place={place}
      nudge={0.5}
      x={x - 7}
      intent={(moved) => setOn(run, `pieces/${piece}/length`, (room.mm ?? 0) + inwards * moved)}
    >
      <path d={`M${x} ${MIDDLE - CLOTH + 4}v${2 * CLOTH - 8}`} stroke="var(--color-base-100)" strokeWidth={3} />
    </TapeGrip>
  );
}
