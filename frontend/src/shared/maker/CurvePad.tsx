/** A curve drawn by hand: values −1…1 from left to right, evenly spaced. */
import { useRef } from "react";

const BINS = 24;
const WIDTH = 240;
const HEIGHT = 56;

interface Props {
  label: string;
  values: readonly number[];
  onTry: (values: number[]) => void;
  onKeep: (values: number[]) => void;
}

export function CurvePad({ label, values, onTry, onKeep }: Props) {
  const drawn = useRef<number[] | null>(null);
  const spread = values.length ? resampled(values) : Array<number>(BINS).fill(0);
  const y = (value: number) => HEIGHT / 2 - (value * (HEIGHT - 8)) / 2;
  const points = spread.map((value, i) => `${(i / (BINS - 1)) * WIDTH} ${y(value)}`).join("L");
  const touch = (event: React.PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const bin = Math.round(((event.clientX - box.left) / box.width) * (BINS - 1));
    const value = -(((event.clientY - box.top) / box.height) * 2 - 1);
    if (bin < 0 || bin >= BINS || !drawn.current) return;
    drawn.current[bin] = Number(Math.min(1, Math.max(-1, value)).toFixed(3));
    onTry([...drawn.current]);
  };
  const nudge = (event: React.KeyboardEvent) => {
    const by = { ArrowUp: 0.1, ArrowDown: -0.1 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    // By keys the whole curve is tilted: its start goes one way, its end the other.
    onKeep(
      spread.map((value, i) => Number(Math.min(1, Math.max(-1, value + by * ((2 * i) / (BINS - 1) - 1))).toFixed(3))),
    );
  };
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="mt-1 block w-full cursor-crosshair touch-none rounded-field border border-(--edge) bg-base-200"
      role="slider"
      tabIndex={0}
      aria-label={`${label}: draw it with the pointer, or tilt it with the arrow keys`}
      aria-valuenow={Number((spread.at(-1) ?? 0).toFixed(2))}
      aria-valuemin={-1}
      aria-valuemax={1}
      onKeyDown={nudge}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drawn.current = [...spread];
        touch(event);
      }}
      onPointerMove={touch}
      onPointerUp={() => {
        if (drawn.current) onKeep(drawn.current);
        drawn.current = null;
      }}
    >
      <path d={`M0 ${HEIGHT / 2}H${WIDTH}`} stroke="var(--color-base-300)" />
      <path d={`M${points}`} fill="none" stroke="var(--color-base-content)" strokeWidth={1.5} />
    </svg>
  );
}

/** The values at an even number of places. */
function resampled(values: readonly number[]): number[] {
  return Array.from({ length: BINS }, (_, i) => {
    const at = (i / (BINS - 1)) * (values.length - 1);
    const low = Math.floor(at);
    const a = values[low] ?? 0;
    return a + ((values[low + 1] ?? a) - a) * (at - low);
  });
}
