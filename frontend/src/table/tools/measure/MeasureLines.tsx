/** Measurements on the sheet: the one being taken, and those that stay. */
import type { MeasureShown } from "@/shared/api/types";

import { useFrame } from "../../sheet";
import { useTableState } from "../../state";
import { toScreen, type View } from "../../view";

export function CheckMarks({ view }: { view: View }) {
  const { marks } = useFrame("marks");
  return marks.map((mark) => !mark.fault && <MeasureLine key={mark.id} view={view} shown={mark} />);
}

export function Measuring({ view }: { view: View }) {
  const { places, measured, pointer } = useTableState();
  const spots = places.map((place) => toScreen(view, place));
  const here = pointer && toScreen(view, pointer);
  const last = spots.at(-1);
  return (
    <g data-testid="measuring">
      {!measured && last && here && (
        <path d={`M${last.x} ${last.y}L${here.x} ${here.y}`} stroke="var(--mark)" strokeDasharray="3 4" fill="none" />
      )}
      {spots.map(({ x, y }, index) => (
        <circle key={index} cx={x} cy={y} r={4} fill="var(--halo)" stroke="var(--mark)" strokeWidth={1.5} />
      ))}
      {measured && <MeasureLine view={view} shown={measured} />}
      {here && <path d={`M${here.x - 7} ${here.y}h14M${here.x} ${here.y - 7}v14`} stroke="var(--mark)" />}
    </g>
  );
}

/** The line with a cross stroke at each end, and the measure beside its middle. */
function MeasureLine({ view, shown }: { view: View; shown: MeasureShown }) {
  const spots = shown.line.map(([x, y]) => toScreen(view, { x, y }));
  const middle = spots[Math.floor(spots.length / 2)];
  if (!middle) return null;
  const between =
    spots.length === 2 ? { x: (spots[0]!.x + spots[1]!.x) / 2, y: (spots[0]!.y + spots[1]!.y) / 2 } : middle;
  const line = `M${spots.map(({ x, y }) => `${x} ${y}`).join("L")}`;
  return (
    <g fill="none" stroke="var(--mark)" pointerEvents="none">
      <path d={line} stroke="var(--halo)" strokeWidth={4} opacity={0.6} />
      <path d={line} strokeWidth={1.2} />
      {[spots[0]!, spots.at(-1)!].map(({ x, y }, index) => (
        <circle key={index} cx={x} cy={y} r={2.5} fill="var(--mark)" stroke="none" />
      ))}
      <text
        x={between.x + 8}
        y={between.y - 8}
        className="measure text-[12px]"
        fill="var(--mark)"
        stroke="var(--halo)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        {shown.text}
      </text>
    </g>
  );
}
