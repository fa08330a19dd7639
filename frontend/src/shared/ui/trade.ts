/** What the trade calls the values of a brush's settings. */

export const MANNERS = [
  ["carry", "Carry round"],
  ["pivot", "Pivot"],
] as const;

export const MANNER_WORDS: Record<string, string> = Object.fromEntries(MANNERS);

export const FITS = [
  ["leave-over", "Leave over"],
  ["even-gaps", "Even gaps"],
  ["ease", "Ease"],
] as const;

export const REMAINDERS = [
  ["end", "At the end"],
  ["start", "At the start"],
  ["shared", "Shared"],
] as const;

export const THREAD_ENDS = [
  ["round", "Round"],
  ["flat", "Flat"],
] as const;
