/** Repeats along the Tape, a start and an end each, taken together where they are too many to tell apart. */

/** First and last repeats of the stretches between which more than `apart` mm is left over. */
export function unbroken(slots: Float32Array, apart: number): [number, number][] {
  const stretches: [number, number][] = [[0, 0]];
  for (let i = 1; 2 * i < slots.length; i++) {
    if (slots[2 * i]! - slots[2 * i - 1]! > apart) stretches.push([i, i]);
    else stretches[stretches.length - 1]![1] = i;
  }
  return stretches;
}

/** How much of the way from the first repeat to the last is repeat, 0 to 1. */
export function covered(slots: Float32Array): number {
  let along = 0;
  for (let i = 0; i < slots.length; i += 2) along += slots[i + 1]! - slots[i]!;
  return Math.min(1, along / (slots[slots.length - 1]! - slots[0]! || 1));
}
