/** A bar of a round length on the garment at the foot of the sheet. */
import { mmPer } from "@/shared/ui/unit";

import { useShown } from "../sheet";
import { niceStep, type View } from "../view";

export function ScaleBar({ view }: { view: View }) {
  const { factor, unit } = useShown((frame) => frame.sheet);
  const perUnit = view.zoom * factor * mmPer(unit);
  const length = niceStep(perUnit, 90);
  const width = length * perUnit;
  const bar = `M1 15v8M1 19h${width}M${width + 1} 15v8`;
  return (
    <svg
      className="pointer-events-none absolute right-4 bottom-3 overflow-visible"
      width={width + 2}
      height={26}
      role="img"
      aria-label={`Scale bar: ${length} ${unit} on the garment`}
    >
      <text
        x={width / 2}
        y={11}
        textAnchor="middle"
        className="measure text-[12px]"
        fill="var(--mark)"
        stroke="var(--halo)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {length} {unit}
      </text>
      <path d={bar} stroke="var(--halo)" strokeWidth={4} fill="none" />
      <path d={bar} stroke="var(--mark)" strokeWidth={1.4} fill="none" />
    </svg>
  );
}
