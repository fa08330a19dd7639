/** Edge rulers in the sheet's unit, on the garment, and the pointer's place on them. */
import { memo } from "react";

import { mmPer } from "@/shared/ui/unit";

import { useFrame } from "../sheet";
import { useTableState } from "../state";
import { niceStep, type View } from "../view";

export const RULER = 20;

interface Tick {
  n: number;
  at: number;
  label: string | null;
  long: boolean;
}

function ticks(origin: number, perUnit: number, size: number): Tick[] {
  const step = niceStep(perUnit, 70);
  const fine = step / 10;
  const first = Math.ceil((RULER - origin) / (perUnit * fine));
  const last = Math.floor((size - origin) / (perUnit * fine));
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => {
    const n = first + i;
    const label = n % 10 === 0 ? String(Number((n * fine).toPrecision(6))) : null;
    return { n, at: origin + n * fine * perUnit, label, long: n % 5 === 0 };
  });
}

const long = (tick: Tick) => (tick.label ? -9 : tick.long ? -6 : -3);

export const Rulers = memo(function Rulers({ view }: { view: View }) {
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
      <Ticks view={view} />
      <Here view={view} />
    </svg>
  );
});

/** The pointer's place. */
function Here({ view }: { view: View }) {
  const pointer = useTableState((state) => state.pointer);
  if (!pointer) return null;
  const [x, y] = [pointer.x * view.zoom + view.x, pointer.y * view.zoom + view.y];
  return <path d={`M${x} 0v${RULER}M0 ${y}h${RULER}`} stroke="var(--color-base-content)" />;
}

function Ticks({ view }: { view: View }) {
  const frame = useFrame("sheet");
  const window = useTableState((state) => state.window);
  const perUnit = view.zoom * frame.sheet.factor * mmPer(frame.sheet.unit);
  const [across, down] = [ticks(view.x, perUnit, window.width), ticks(view.y, perUnit, window.height)];
  return (
    <>
      <rect width="100%" height={RULER} fill="var(--color-base-200)" />
      <rect width={RULER} height="100%" fill="var(--color-base-200)" />
      <g stroke="var(--muted)" fill="var(--muted)" className="measure">
        <path
          d={[
            ...across.map((tick) => `M${tick.at} ${RULER}v${long(tick)}`),
            ...down.map((tick) => `M${RULER} ${tick.at}h${long(tick)}`),
          ].join("")}
        />
        {across.map(
          ({ n, at, label }) =>
            label &&
            at < window.width - 34 && (
              <text key={n} x={at + 3} y={10} stroke="none" fontSize={10}>
                {label}
              </text>
            ),
        )}
        {down.map(
          ({ n, at, label }) =>
            label && (
              <text key={n} transform={`translate(9 ${at - 3}) rotate(-90)`} stroke="none" fontSize={10}>
                {label}
              </text>
            ),
        )}
      </g>
    </>
  );
}
