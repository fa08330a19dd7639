/** The whole run above its Tape, with the part of it that is seen. */
import { useDrag } from "@use-gesture/react";

import type { RunShown } from "@/shared/api/types";
import { stop } from "@/shared/ui/stops";
import { useLength } from "@/shared/ui/unit";

import { fitting, OVERVIEW, PAD } from "./measures";
import type { TapeScroll } from "./useTapeWindow";
import { rowOf } from "../rows";

interface Props {
  run: RunShown;
  scroll: TapeScroll;
  width: number;
}

export function Overview({ run, scroll, width }: Props) {
  const tape = run.tape!;
  const { window, show, move } = scroll;
  const k = fitting(tape, width);
  const seen = (width - 2 * PAD) / window.perMm;
  const { bare, text } = useLength();
  const bind = useDrag(
    ({ event, xy: [x], first, memo }) => {
      const track = (event.currentTarget as Element).closest("svg")!.getBoundingClientRect();
      const at = tape.start + (x - track.left - PAD) / k;
      const grabbed = first ? (at >= window.from && at <= window.from + seen ? at - window.from : seen / 2) : memo;
      show(at - grabbed);
      return grabbed as number;
    },
    { pointer: { buttons: [1], keys: false } },
  );
  if (window.perMm <= k * 1.001) return null;
  const x = (at: number) => PAD + (at - tape.start) * k;
  const onKey = (event: React.KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowLeft: -1, PageDown: 4, PageUp: -4 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    move(by * 40);
  };
  return (
    <g
      {...bind()}
      {...stop}
      role="slider"
      data-testid="tape-overview"
      aria-label="Part of the run that is shown"
      aria-valuemin={0}
      aria-valuemax={Number(bare(tape.length, 0))}
      aria-valuenow={Number(bare(window.from - tape.start, 0))}
      aria-valuetext={`from ${text(window.from - tape.start, 0)}, ${text(seen, 0)} long`}
      onKeyDown={onKey}
      style={{ cursor: "grab", touchAction: "none" }}
    >
      <title>The whole run: drag to the part that is shown</title>
      <rect x={PAD} y={0} width={width - 2 * PAD} height={24} fill="transparent" />
      <rect x={PAD} y={2} width={width - 2 * PAD} height={OVERVIEW - 4} rx={2} fill="var(--cloth)" />
      <path d={`M${PAD} ${OVERVIEW / 2}h${width - 2 * PAD}`} stroke={run.settings.threads![0]} strokeWidth={1.5} />
      {(rowOf(run)?.legs ?? []).map((leg, index) =>
        leg.off ? (
          <rect
            key={index}
            x={x(leg.start)}
            y={3}
            width={leg.length.garment * k}
            height={OVERVIEW - 6}
            fill="var(--color-error)"
            opacity={0.4}
          />
        ) : null,
      )}
      {(run.corners ?? []).map(({ node, at }) => (
        <path key={`${node}-${at}`} d={`M${x(at)} 1v${OVERVIEW - 2}`} stroke="#fff" strokeWidth={1.5} />
      ))}
      <rect
        data-testid="tape-seen"
        x={x(window.from)}
        y={1}
        width={Math.max(seen * k, 6)}
        height={OVERVIEW - 2}
        rx={3}
        fill="var(--color-base-100)"
        fillOpacity={0.25}
        stroke="var(--color-base-content)"
        strokeWidth={1.5}
      />
    </g>
  );
}
