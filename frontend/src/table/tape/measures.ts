/** Where things stand on the Tape, px. */

export const TOP = 24;
export const STRIP = 50;
export const FOOT = TOP + STRIP;
export const MIDDLE = TOP + 21;
export const PAD = 12;

export interface TapePlace {
  perMm: number;
  /** Where a place along the run, garment mm, stands on the Tape. */
  x: (at: number) => number;
}

/** The id of the Tape, and how high it is, px. */
export const TAPE = "tape";
export const TAPE_HEIGHT = 132;
