/** One repeat, large, its neighbours faint beside it; its length and width are dragged or entered. */
import { useDrag } from "@use-gesture/react";
import { useMemo } from "react";

import { Panel } from "@/shared/ui/Panel";
import { stop } from "@/shared/ui/stops";
import type { BenchFrame, Edit } from "@/shared/api/types";
import { useRow } from "@/shared/maker/maker";
import { NumberField } from "@/shared/ui/NumberField";
import { fixed } from "@/shared/ui/words";

import { useBench, useWorkbench } from "./bench";
import { arrowStep, Diamond, gripStyle } from "./Grip";
import { Painted } from "@/shared/draw/Painted";
import { useSize } from "./useSize";

const HEIGHT = 262;
/** Room for the dimension lines, px. */
const FOOT = 44;
const SIDE = 108;
/** How much of a repeat is seen to either side. */
const BESIDE = 0.8;
/** How far an arrow key moves a dimension, px. */
const STEP = 6;

export function RepeatView({ drawn }: { drawn: BenchFrame }) {
  const [box, { width }] = useSize<HTMLDivElement>();
  const { repeat } = drawn;
  const wide = Math.max(width - SIDE, 100);
  const zoom = Math.min(
    wide / (repeat.length * (1 + 2 * BESIDE)),
    (HEIGHT - FOOT - 20) / (2.1 * Math.max(repeat.reach, 0.2)),
    60,
  );
  const at = useMemo(
    () => ({ zoom, x: wide / 2 - zoom * (repeat.start + repeat.length / 2), y: (HEIGHT - FOOT) / 2 }),
    [zoom, wide, repeat],
  );
  const spot = useMemo(
    () => ({ x: repeat.start, y: -2 * repeat.reach - 5, width: repeat.length, height: 4 * repeat.reach + 10 }),
    [repeat],
  );
  const groups = useMemo(() => [repeat.neighbours], [repeat]);
  return (
    <Panel label="Repeat" className="shrink-0 border-b border-base-300 px-3.5 pt-2">
      <h2 className="flex items-baseline gap-2">
        <span className="font-bold">Repeat</span>
        <EdgeWords drawn={drawn} />
      </h2>
      <div ref={box} className="relative" style={{ height: HEIGHT }}>
        {width > 0 && (
          <>
            <div className="overflow-hidden rounded-field bg-(--cloth)" style={{ width: wide, height: HEIGHT - FOOT }}>
              <Painted groups={groups} width={wide} height={HEIGHT - FOOT} at={at} spot={spot} />
            </div>
            <Dimensions drawn={drawn} at={at} wide={wide} />
          </>
        )}
      </div>
    </Panel>
  );
}

function EdgeWords({ drawn }: { drawn: BenchFrame }) {
  const { joints } = drawn;
  if (!joints.joins)
    return <span className="muted">Repeats stand apart, or lie over one another: no edges to meet.</span>;
  const faults = joints.found.filter((joint) => joint.step > 0);
  if (!faults.length) return <span data-testid="edges">Edges meet.</span>;
  return (
    <span data-testid="edges" className="text-error">
      {faults.map((joint) => `${joint.before} to ${joint.after}: a step of ${fixed(joint.step, 3)} mm`).join("; ")}.{" "}
      <Mend joint={faults[0]!} />
    </span>
  );
}

/** The one-step mend of a joint, where there is one. */
function Mend({ joint }: { joint: { before: string; after: string } }) {
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const mend: { label: string; edit: Edit } | null =
    joint.before === "start"
      ? { label: "Make the start as wide as the repeat", edit: { kind: "match-piece", course, place: "start" } }
      : joint.after === "end"
        ? { label: "Make the end as wide as the repeat", edit: { kind: "match-piece", course, place: "end" } }
        : joint.before === "repeat" && joint.after === "repeat"
          ? { label: "Match the repeat’s end with its start", edit: { kind: "equalise", course } }
          : null;
  if (!mend) return null;
  return (
    <button
      {...stop}
      className="cursor-pointer text-accent underline decoration-dotted underline-offset-2"
      onClick={() => void workbench.make(mend.edit)}
    >
      {mend.label}
    </button>
  );
}

interface DimensionProps {
  drawn: BenchFrame;
  at: { zoom: number; x: number; y: number };
  wide: number;
}

function Dimensions({ drawn, at, wide }: DimensionProps) {
  const workbench = useWorkbench();
  const place = useRow();
  const course = useBench((state) => state.course);
  const { repeat, joints } = drawn;
  const x0 = at.x + at.zoom * repeat.start;
  const x1 = x0 + at.zoom * repeat.length;
  const middle = at.y + at.zoom * repeat.offset;
  const half = (at.zoom * repeat.width) / 2;
  const foot = HEIGHT - FOOT + 16;
  const long = (entered: string): Edit | null =>
    place && { kind: "set", settings: [{ pointer: place.at("length"), entered }] };
  const broad = (entered: string): Edit => ({ kind: "set-width", course, entered });
  const row = place?.row;
  const length = row?.length?.mm ?? repeat.length;
  const mm = (value: number) => `${Number(Math.max(value, 0.01).toFixed(2))} mm`;
  const faults = joints.found.flatMap((joint) => joint.mismatches.filter((item) => item.fault));
  return (
    <>
      <svg className="absolute inset-0 h-full w-full overflow-visible" aria-label="Dimensions" role="group">
        <path d={`M0 ${middle}H${wide}`} stroke="var(--color-base-100)" strokeDasharray="1 4" />
        <path d={`M${x0} 0V${HEIGHT - FOOT + 4}M${x1} 0V${HEIGHT - FOOT + 4}`} stroke="var(--mark)" strokeWidth={1.4} />
        <path d={`M${x0} ${foot}H${x1}M${x0} ${foot - 5}v10M${x1} ${foot - 5}v10`} stroke="var(--mark)" />
        <path
          d={`M${wide - 12} ${middle - half}v${2 * half}M${wide - 17} ${middle - half}h10M${wide - 17} ${middle + half}h10`}
          stroke="var(--mark)"
        />
        {joints.joins &&
          [x0, x1].map((x) =>
            faults.length
              ? faults.map((item, index) => <Fault key={`${x}-${index}`} x={x} y={middle + at.zoom * item.y} />)
              : [-half, half].map((y) => <Meets key={`${x}-${y}`} x={x} y={middle + y} />),
          )}
        {place && (
          <Handle
            label="Length of the repeat: drag, or arrow keys"
            testId="drag-length"
            x={x1}
            y={foot}
            along
            step={(moved) => long(mm(length + moved / at.zoom))}
          />
        )}
        <Handle
          label="Width: drag, or arrow keys"
          testId="drag-width"
          x={wide - 12}
          y={middle + half}
          step={(moved) => broad(mm(repeat.width + (2 * moved) / at.zoom))}
        />
      </svg>
      <div className="absolute" style={{ left: Math.max((x0 + x1) / 2 - 43, 0), top: foot - 12 }}>
        {place ? (
          <NumberField
            label="Repeat length"
            value={mm(length)}
            step={0.5}
            onPreview={(entered) => workbench.show(long(entered))}
            onCommit={(entered) => workbench.make(long(entered)!)}
            onCancel={() => workbench.show(null)}
          />
        ) : (
          <span className="measure bg-(--paper) px-1.5">{mm(repeat.length)}</span>
        )}
      </div>
      <div className="absolute" style={{ left: wide + 2, top: middle - 12 }}>
        <NumberField
          label="Width of the course"
          value={mm(repeat.width)}
          step={0.5}
          onPreview={(entered) => workbench.show(broad(entered))}
          onCommit={(entered) => workbench.make(broad(entered))}
          onCancel={() => workbench.show(null)}
        />
      </div>
    </>
  );
}

function Meets({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`} fill="none" stroke="var(--color-accent)" strokeWidth={1.5}>
      <circle r={5} fill="var(--color-base-100)" />
      <path d="M-2.2 0.2l1.6 1.8l2.8 -3.6" />
    </g>
  );
}

function Fault({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`} fill="none" stroke="var(--color-error)" strokeWidth={1.8}>
      <circle r={5.5} fill="var(--color-base-100)" />
      <path d="M-2.2 -2.2l4.4 4.4M2.2 -2.2l-4.4 4.4" />
    </g>
  );
}

interface HandleProps {
  label: string;
  testId: string;
  x: number;
  y: number;
  along?: boolean;
  /** What a drag of so many px would do. */
  step: (moved: number) => Edit | null;
}

function Handle({ label, testId, x, y, along = false, step }: HandleProps) {
  const workbench = useWorkbench();
  const bind = useDrag(
    ({ movement: [mx, my], first, last, tap, memo }) => {
      // The dimension moves under the pointer: what it was at first is what is added to.
      const from = (first ? step : memo) as typeof step;
      const made = tap ? null : from(along ? mx : my);
      if (!made) return from;
      if (last) void workbench.make(made);
      else workbench.show(made);
      return from;
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  return (
    <g
      {...bind()}
      role="button"
      {...stop}
      aria-label={label}
      data-testid={testId}
      style={gripStyle(along)}
      onKeyDown={(event) => {
        const by = arrowStep(event);
        const made = by ? step(STEP * by) : null;
        if (made) void workbench.make(made);
      }}
    >
      <Diamond x={x} y={y} half={4} fill="var(--mark)" />
    </g>
  );
}
