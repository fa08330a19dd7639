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
  if (place.x(end) > width - PAD) return null;
  return (
    // Under the pointer the grips stay with their repeat, whichever the pointer comes over.
    <g onPointerMove={(event) => event.stopPropagation()}>
      <MeasureGrip run={run} place={place} name="length" at={end} />
      {next !== undefined && next > end + 1e-6 && <MeasureGrip run={run} place={place} name="gap" at={next} />}
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

/** Drag along the Tape, in garment mm: a preview while it moves, one step when let go. */
function useTapeDrag(place: TapePlace, intent: (moved: number) => Intent | null) {
  const session = useSheetSession();
  return useDrag(
    ({ movement: [mx], last, tap }) => {
      const made = tap ? null : intent(mx / place.perMm);
      if (!made) return;
      if (last) void session.command(made);
      else session.drag(made);
    },
    { filterTaps: true, pointer: { buttons: [1], keys: false } },
  );
}

function MeasureGrip({
  run,
  place,
  name,
  at,
}: {
  run: RunShown;
  place: TapePlace;
  name: "length" | "gap";
  at: number;
}) {
  const session = useSheetSession();
  const frame = useFrame("sheet");
  const kept = session.keptRun(run.id);
  const measures = kept && rowOf(kept)?.set;
  const set = name === "length" ? measures?.stitch : measures?.gap;
  const step = (moved: number): Intent | null => {
    if (!set) return null;
    const garment = set.garment + moved;
    const onPaper = set.on === "paper";
    const entered = `${Number((onPaper ? garment * frame.sheet.factor : garment).toFixed(2))} mm`;
    return { kind: "set-on-runs", runs: [run.id], settings: [{ pointer: `/courses/${run.main}/${name}`, entered }] };
  };
  const bind = useTapeDrag(place, step);
  const x = place.x(at);
  return (
    <g
      {...bind()}
      data-testid={`grip-${name}`}
      role="button"
      {...stop}
      aria-label={name === "length" ? "Length of a repeat: drag, or arrow keys" : "Gap: drag, or arrow keys"}
      style={{ cursor: "ew-resize", touchAction: "none" }}
      onKeyDown={(event) => {
        const by = { ArrowRight: 0.1, ArrowLeft: -0.1 }[event.key];
        const made = by ? step(by) : null;
        if (!made) return;
        event.preventDefault();
        event.stopPropagation();
        void session.command(made);
      }}
    >
      <title>{name === "length" ? "Drag: length of a repeat" : "Drag: gap"}</title>
      <rect x={x - 7} y={MIDDLE - CLOTH} width={14} height={2 * CLOTH} fill="transparent" />
      <path
        d={name === "length" ? `M${x} ${MIDDLE - 16}v32` : `M${x - 4} ${MIDDLE - 16}h4v32h-4`}
        stroke="var(--color-base-100)"
        strokeWidth={2}
        fill="none"
      />
    </g>
  );
}

function StartGrip({ run, place }: { run: RunShown; place: TapePlace }) {
  const session = useSheetSession();
  const frame = useFrame("sheet");
  const kept = session.keptRun(run.id)?.places.start ?? 0;
  const slide = (moved: number): Intent => ({
    kind: "slide-start",
    run: run.id,
    to: kept + moved * frame.sheet.factor,
  });
  const bind = useTapeDrag(place, slide);
  const x = place.x(run.tape!.start);
  return (
    <g
      {...bind()}
      data-testid="grip-start"
      role="button"
      {...stop}
      aria-label="Start point: drag, or arrow keys"
      style={{ cursor: "ew-resize", touchAction: "none" }}
      onKeyDown={(event) => {
        const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
        if (!by) return;
        event.preventDefault();
        event.stopPropagation();
        void session.command(slide(by));
      }}
    >
      <title>Drag: start point</title>
      <rect x={x - 12} y={TOP} width={14} height={STRIP} fill="transparent" />
      <path d={`M${x - 9} ${MIDDLE - 7}l9 7l-9 7z`} fill="var(--color-base-content)" />
    </g>
  );
}

const PIECES = ["start", "end"] as const;

/** The inner end of an end piece: dragged, it gives the piece more room or less. */
function PieceGrip({ run, place, piece }: { run: RunShown; place: TapePlace; piece: (typeof PIECES)[number] }) {
  const session = useSheetSession();
  const frame = useFrame("sheet");
  const row = run.main == null ? undefined : run.settings.courses?.[run.main];
  const set = row?.course === "row" ? row.pieces?.[piece] : undefined;
  const { pieces, length } = run.tape!;
  const lies = piece === "start" ? pieces.find(([from]) => from < 1e-3) : pieces.find(([, to]) => to > length - 1e-3);
  const inwards = piece === "start" ? 1 : -1;
  const kept = session.keptRun(run.id)?.settings.courses?.[run.main ?? 0];
  const mm = (kept?.course === "row" && kept.pieces?.[piece]?.length?.mm) || 0;
  const step = (moved: number): Intent | null => {
    const by = inwards * moved * (set?.length?.on === "paper" ? frame.sheet.factor : 1);
    const entered = `${Number((mm + by).toFixed(2))} mm`;
    const pointer = `/courses/${run.main}/pieces/${piece}/length`;
    return { kind: "set-on-runs", runs: [run.id], settings: [{ pointer, entered }] };
  };
  const bind = useTapeDrag(place, step);
  if (!set || !lies) return null;
  const x = place.x(piece === "start" ? lies[1] : lies[0]);
  return (
    <g
      {...bind()}
      data-testid={`grip-${piece}-piece`}
      role="button"
      {...stop}
      aria-label={`Room of the ${piece} piece: drag, or arrow keys`}
      style={{ cursor: "ew-resize", touchAction: "none" }}
      onKeyDown={(event) => {
        const by = { ArrowRight: 0.5, ArrowLeft: -0.5 }[event.key];
        const made = by ? step(by) : null;
        if (!made) return;
        event.preventDefault();
        event.stopPropagation();
        void session.command(made);
      }}
    >
      <title>{`Drag: room of the ${piece} piece`}</title>
      <rect x={x - 7} y={MIDDLE - CLOTH} width={14} height={2 * CLOTH} fill="transparent" />
      <path d={`M${x} ${MIDDLE - CLOTH + 4}v${2 * CLOTH - 8}`} stroke="var(--color-base-100)" strokeWidth={3} />
    </g>
  );
}
