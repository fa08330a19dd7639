/** What the trade calls the values of a brush's settings. */
import { CHOICES } from "@/shared/api/choices";

/** A list of the core's as pairs of a name and what it is called. */
function pairs<T extends { id: string; label: string }>(list: readonly T[]) {
  return list.map(({ id, label }) => [id, label] as readonly [T["id"], string]);
}

/** What one of a list is called within a sentence. */
export function wordOf(list: readonly (readonly [string, string])[], id: string | undefined): string {
  return (list.find(([key]) => key === id)?.[1] ?? "").toLowerCase();
}

export const MANNERS = pairs(CHOICES.manners);
export const MANNER_WORDS: Record<string, string> = Object.fromEntries(MANNERS);
export const MADE = pairs(CHOICES.made);
export const FITS = pairs(CHOICES.fits);
export const REMAINDERS = pairs(CHOICES.remainders);
export const LAYOUTS = pairs(CHOICES.layouts);
export const HOLDS = pairs(CHOICES.holds);
export const FACINGS = pairs(CHOICES.facings);
export const OVERLAPS = pairs(CHOICES.overlaps);
export const CROSSINGS = pairs(CHOICES.crossings);
export const FINISHES = pairs(CHOICES.finishes);
export const TAKES = pairs(CHOICES.takes);
export const USES = pairs(CHOICES.uses);
export const WAYS = pairs(CHOICES.ways);
export const STANDS = pairs(CHOICES.stands);
export const DRIVERS = pairs(CHOICES.drivers);
export const CHANNELS = CHOICES.channels.map(({ id, label, unit }) => [id, label, unit] as const);

export const THREAD_ENDS = [
  ["round", "Round"],
  ["flat", "Flat"],
] as const;

export const JOINS = [
  ["mitre", "Mitred"],
  ["round", "Round"],
  ["bevel", "Bevelled"],
] as const;

export const BAND_ENDS = [
  ["flat", "Flat"],
  ["round", "Round"],
  ["square", "Square"],
] as const;
