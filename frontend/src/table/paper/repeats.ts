/** Repeats on the sheet, for pointing at them. */
import { placementsOf } from "@/shared/api/frame";
import type { RunShown, StampsShown } from "@/shared/api/types";

import type { Spot } from "../view";

function stampsOf(run: RunShown): StampsShown | undefined {
  return run.group?.items.find((item) => item.type === "stamps");
}

/** Where a repeat begins and ends, sheet mm. */
export function endsOf(run: RunShown, index: number): [Spot, Spot] | null {
  const stamps = stampsOf(run);
  const at = stamps && placementsOf(stamps)?.subarray(6 * index, 6 * index + 6);
  if (!at || at.length < 6) return null;
  const start = { x: at[4]!, y: at[5]! };
  return [start, { x: start.x + at[0]!, y: start.y + at[1]! }];
}

/** The repeat nearest to a spot, if it is within `reach` mm. */
export function nearestRepeat(run: RunShown, at: Spot, reach: number): number | null {
  const stamps = stampsOf(run);
  const places = stamps && placementsOf(stamps);
  if (!places) return null;
  let best = reach;
  let found: number | null = null;
  for (let i = 0; 6 * i + 5 < places.length; i++) {
    const gap = gapTo(places, 6 * i, at);
    if (gap < best) [best, found] = [gap, i];
  }
  return found;
}

function gapTo(places: Float32Array, i: number, at: Spot): number {
  const [ax, ay] = [places[i]!, places[i + 1]!];
  const [px, py] = [at.x - places[i + 4]!, at.y - places[i + 5]!];
  const square = ax * ax + ay * ay || 1;
  const t = Math.min(1, Math.max(0, (px * ax + py * ay) / square));
  return Math.hypot(px - t * ax, py - t * ay);
}
