/** What the trade calls the values of a brush's settings. */

export const MANNERS = [
  ["carry", "Carry round"],
  ["pivot", "Pivot"],
  ["mitre", "Mitre"],
  ["piece", "Corner piece"],
  ["stop", "Stop short"],
] as const;

export const MANNER_WORDS: Record<string, string> = Object.fromEntries(MANNERS);

export const MADE = [
  ["mitred", "Mitred"],
  ["folded", "Folded"],
  ["turned", "Turned"],
  ["gathered", "Gathered"],
] as const;

export const FITS = [
  ["leave-over", "Leave over"],
  ["even-gaps", "Even gaps"],
  ["ease", "Ease"],
  ["made-up", "Made up"],
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

export const LAYOUTS = [
  ["any", "As it comes"],
  ["repeat", "A repeat"],
  ["gap", "A gap"],
] as const;

export const HOLDS = [
  ["bend", "Bend"],
  ["pinned", "Pinned"],
  ["ride", "Ride"],
  ["links", "Links"],
] as const;

export const FACINGS = [
  ["along", "Along the path"],
  ["level", "Level"],
  ["turned", "Turned"],
] as const;

export const OVERLAPS = [
  ["next-over-last", "Next over last"],
  ["last-over-next", "Last over next"],
  ["interlaced", "Interlaced"],
] as const;

export const CROSSINGS = [
  ["plain", "Plain"],
  ["over-under", "Over and under"],
] as const;

export const CHANNELS = [
  ["size", "Size", "%"],
  ["turn", "Turn", "°"],
  ["along", "Along", "%"],
  ["across", "Across", "%"],
  ["mirror", "Mirror", "%"],
  ["shade", "Shade", "%"],
  ["hue", "Hue", "°"],
] as const;

export const DRIVERS = [
  ["chance", "Chance"],
  ["rhythm", "Rhythm"],
  ["travel", "Travel"],
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
