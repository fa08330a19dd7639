/** The ruler along the Tape, garment measure: as much of it as is seen. */
import { mmPer, useLength } from "@/shared/ui/unit";

import { niceStep } from "../view";
import { FOOT, PAD, type TapePlace } from "./measures";

interface Props {
  start: number;
  length: number;
  place: TapePlace;
  width: number;
}

export function TapeRuler({ start, length, place, width }: Props) {
  const { unit } = useLength();
  // All of it in mm: one division is so many, and stands for so much of the unit.
  const perUnit = mmPer(unit);
  const fine = (niceStep(place.perMm * perUnit, 74) / 10) * perUnit;
  // A run on a closed path may start anywhere on it: round numbers are counted from the path's own start.
  const first = Math.ceil(Math.max(place.at(PAD / 2), start) / fine - 1e-6);
  const last = Math.floor((Math.min(place.at(width - PAD / 2), start + length) + 1e-6) / fine);
  return (
    <g stroke="var(--muted)" fill="var(--muted)" className="measure">
      {Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => {
        const i = first + index;
        const at = place.x(i * fine);
        return (
          <g key={i}>
            <path d={`M${at} ${FOOT}v${i % 10 === 0 ? -8 : i % 5 === 0 ? -6 : -4}`} />
            {i % 10 === 0 && (
              <text x={at} y={FOOT + 13} textAnchor="middle" stroke="none">
                {Number(((i * fine) / perUnit).toPrecision(6))}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
