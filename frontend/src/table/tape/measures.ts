/** Where things stand on the Tape, px, and how its window moves along the run. */
import type { TapeShown } from "@/shared/api/types";

/** The whole run above, the legs' words, the strip with its ruler, and the ruler's numbers. */
export const OVERVIEW = 12;
export const WORDS = 28;
export const TOP = 34;
export const STRIP = 66;
export const FOOT = TOP + STRIP;
export const MIDDLE = TOP + 28;
/** The artwork's room, above and below the run's line. */
export const CLOTH = 22;
export const HEIGHT = FOOT + 16;
export const PAD = 12;

/** Cloth that is left beside the artwork. */
export const EDGE = 3;

/** The id of the Tape, and how high it is, px. */
export const TAPE = "tape";
export const TAPE_HEIGHT = HEIGHT + 14;

/** A repeat that is grasped easily, and one that can be at all, px; and how large one is drawn at most. */
const EASY = 30;
const GRASPED = 14;
const LARGEST = 240;

/** The part of the run that is seen: from where, garment mm, and at how many px a mm. */
export interface TapeWindow {
  from: number;
  perMm: number;
}

export interface TapePlace extends TapeWindow {
  /** Where a place along the run, garment mm, stands on the Tape. */
  x: (at: number) => number;
  /** The place along the run that stands there. */
  at: (x: number) => number;
}

export function placeOf({ from, perMm }: TapeWindow): TapePlace {
  return { from, perMm, x: (at) => PAD + (at - from) * perMm, at: (x) => from + (x - PAD) / perMm };
}

/** The scale at which all of the run is seen. */
export const fitting = (tape: TapeShown, width: number) => (width - 2 * PAD) / tape.length;

/** The scale at which all of the artwork's width is seen. */
const whole = (tape: TapeShown) => (CLOTH - EDGE) / Math.max(-tape.edges[0], tape.edges[1], 1e-3);

/** How a run is first shown: all of it, or so large that its repeats are grasped easily, but the artwork no wider than
 * the Tape as long as a repeat can be grasped. */
export function firstWindow(tape: TapeShown, repeat: number | null, width: number): TapeWindow {
  const wished = Math.max(fitting(tape, width), repeat ? EASY / repeat : 0);
  return { from: tape.start, perMm: Math.max(Math.min(wished, whole(tape)), repeat ? GRASPED / repeat : 0) };
}

/** A window within the run, no smaller than all of it and no larger than a repeat fills. */
export function kept({ from, perMm }: TapeWindow, tape: TapeShown, repeat: number | null, width: number): TapeWindow {
  const least = Math.min(fitting(tape, width), whole(tape));
  const most = Math.max(fitting(tape, width), LARGEST / (repeat ?? 10));
  const scale = Math.min(Math.max(perMm, least), most);
  const last = tape.start + tape.length - (width - 2 * PAD) / scale;
  return { from: Math.max(tape.start, Math.min(from, last)), perMm: scale };
}

/** Zoomed by a factor, what stands at x staying where it is. */
export function zoomed(window: TapeWindow, factor: number, x: number): TapeWindow {
  const at = placeOf(window).at(x);
  const perMm = window.perMm * factor;
  return { from: at - (x - PAD) / perMm, perMm };
}
