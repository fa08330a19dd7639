/** Where the piece being drawn lies: its baseline, its path, and the corner that it turns, as faint lines. */
import type { ArtworkShown } from "@/shared/api/types";

import type { View } from "./view";

/** How far the lines go on beyond the cell, in its lengths. */
const BEYOND = 3;

export function Ghost({ artwork, view }: { artwork: ArtworkShown; view: View }) {
  const { place, length, width } = artwork;
  const x = (mm: number) => view.x + view.zoom * mm;
  const y = (mm: number) => view.y + view.zoom * mm;
  // A corner piece is drawn for a square turn to the right; the cell ends on the corner itself.
  const corner = place.startsWith("corner");
  const begin = place === "start" ? 0 : -BEYOND * length;
  const end = corner || place === "end" ? length : (1 + BEYOND) * length;
  const beside = (by: number) =>
    corner ? `M${x(begin)} ${y(by)}H${x(length - by)}V${y(BEYOND * length)}` : `M${x(begin)} ${y(by)}H${x(end)}`;
  return (
    <g aria-hidden pointerEvents="none" fill="none" stroke="var(--halo)" data-testid="ghost">
      <path d={beside(-width / 2) + beside(width / 2)} opacity={0.45} strokeDasharray="2 5" />
      <path d={beside(0)} opacity={0.8} strokeWidth={1.5} strokeDasharray="10 4 2 4" />
      {corner && <circle cx={x(length)} cy={y(0)} r={5} />}
      {(place === "start" || place === "end") && <circle cx={x(place === "start" ? 0 : length)} cy={y(0)} r={5} />}
    </g>
  );
}
