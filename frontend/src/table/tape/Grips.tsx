/** Grips on one repeat of the Tape: its end for the length, the gap's end for the gap; and the start point. */
import { useDrag } from "@use-gesture/react";

import type { Intent, RunShown } from "@/shared/api/types";

import { stop } from "@/shared/ui/stops";

import { rowOf } from "../rows";
import { useChosen, useSheetSession, useFrame } from "../sheet";
import { useTableState } from "../state";
import { MIDDLE, TOP, type TapePlace } from "./measures";

interface Props {
  run: RunShown;
  slots: Float32Array;
  place: TapePlace;
}

export function Grips({ run, slots, place }: Props) {
  const lit = useTableState((state) => (state.lit?.run === run.id ? state.lit.index : null));
  const { path } = useChosen();
  const index = Math.min(lit ?? 0, slots.length / 2 - 1);
  const [, end] = [slots[2 * index]!, slots[2 * index + 1]!];
  const next = slots[2 * index + 2];
  return (
    // Under the pointer the grips stay with their repeat, whichever the pointer comes over.
    <g onPointerMove={(event) => event.stopPropagation()}>
      <MeasureGrip run={run} place={place} name="length" at={end} />
      {next !== undefined && next > end + 1e-6 && <MeasureGrip run={run} place={place} name="gap" at={next} />}
      {path?.closed && run.tape!.closed && <StartGrip run={run} place={place} />}
    </g>
  );
}

/** Drag along the Tape, in garment mm: a preview while it moves, one step when let go. */
function useTapeDrag(place: TapePlace, intent: (moved: number) => Intent | null) {
  const session = useSheetSession();
  return useDrag(
    ({ movement: [mx], last, tap }) => {
      const made = tap ? null : intent(mx / place.perMm);
      if (!made) return;
      if (last) void session.command(made);
      else session.preview(made);
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
      <rect x={x - 6} y={MIDDLE - 14} width={12} height={28} fill="transparent" />
      <path
        d={name === "length" ? `M${x} ${MIDDLE - 12}v24` : `M${x - 3} ${MIDDLE - 12}h3v24h-3`}
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
      <rect x={x - 12} y={TOP - 4} width={14} height={58} fill="transparent" />
      <path d={`M${x - 9} ${MIDDLE - 7}l9 7l-9 7z`} fill="var(--color-base-content)" />
    </g>
  );
}
