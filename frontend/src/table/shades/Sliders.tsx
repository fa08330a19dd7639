/** A colour by its lightness, chroma and hue (OKLCH), each with its number. */
import { useRef, useState } from "react";

type Oklch = readonly [number, number, number];

interface Props {
  value: Oklch;
  onPreview: (colour: string) => void;
  onCommit: (colour: string) => void;
}

/** What each is called, how far it goes, and in what steps. */
const PARTS = [
  ["Lightness", 1, 0.01],
  ["Chroma", 0.37, 0.002],
  ["Hue", 360, 1],
] as const;

/** So long after the last key, ms, what it set is kept. */
const RESTING = 400;

const text = ([light, chroma, hue]: Oklch) => `oklch(${light} ${chroma} ${hue})`;
const shown = (part: number, value: number) =>
  part === 0 ? `${Math.round(100 * value)} %` : part === 1 ? value.toFixed(3) : `${Math.round(value)}°`;

export function Sliders({ value, onPreview, onCommit }: Props) {
  // What the hand has set, until what came of it is there: a colour that is not in gamut comes back as another.
  const [held, setHeld] = useState<{ of: string; to: Oklch } | null>(null);
  const timer = useRef(0);
  const set = held?.of === String(value) ? held.to : null;
  const now = set ?? value;
  const put = (part: number, to: number): Oklch =>
    now.map((old, index) => (index === part ? to : old)) as unknown as Oklch;
  const done = () => {
    clearTimeout(timer.current);
    if (set) onCommit(text(set));
  };
  /** Keys come one after the other: together they are one step. */
  const soon = () => {
    clearTimeout(timer.current);
    timer.current = window.setTimeout(done, RESTING);
  };
  return (
    <div className="mt-1">
      {PARTS.map(([label, most, step], part) => (
        <label key={label} className="flex min-h-6 items-center gap-2">
          <span className="w-[64px] shrink-0">{label}</span>
          <input
            type="range"
            className="min-w-0 flex-1 accent-(--color-secondary)"
            min={0}
            max={most}
            step={step}
            value={now[part]}
            aria-valuetext={shown(part, now[part]!)}
            onChange={(event) => {
              const next = put(part, Number(event.target.value));
              setHeld({ of: String(value), to: next });
              onPreview(text(next));
            }}
            onPointerUp={done}
            onKeyUp={soon}
            onBlur={done}
            onKeyDown={(event) => event.stopPropagation()}
          />
          <span className="measure w-11 shrink-0 text-right">{shown(part, now[part]!)}</span>
        </label>
      ))}
    </div>
  );
}
