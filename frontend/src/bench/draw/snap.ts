/** What a place snaps to: view arithmetic only, from the places that the server names. */
import type { ArtworkShown } from "@/shared/api/types";

/** How near a place draws the pointer, px. */
const NEAR = 7;

/** The shift, mm, that brings the nearest of some values onto one of the places, or none. */
export function snapShift(values: readonly number[], places: readonly number[], zoom: number): number {
  let best = NEAR / zoom;
  let shift = 0;
  for (const value of values) {
    for (const place of places) {
      const apart = place - value;
      if (Math.abs(apart) < Math.abs(best)) {
        best = apart;
        shift = apart;
      }
    }
  }
  return shift;
}

/** Places along the cell and across it: its own, and the artwork's. */
export function placesOf(artwork: ArtworkShown): { along: number[]; across: number[] } {
  const { length, width } = artwork;
  return {
    along: [0, length / 2, length, ...artwork.along],
    across: [0, width / 2, -width / 2, ...artwork.across],
  };
}

export const round = (value: number) => Number(value.toFixed(3));
export const mmText = (value: number) => `${round(value)} mm`;
