/** The unit that lengths are written and entered in: the sheet's on the Table, mm elsewhere. */
import { createContext, useContext } from "react";

import { decimals, fixed } from "./words";

export type Unit = "mm" | "in";

const MM = { mm: 1, in: 25.4 } as const;

/** How many mm a unit is. */
export const mmPer = (unit: Unit): number => MM[unit];

export const UnitContext = createContext<Unit>("mm");

/** Lengths of the Table in words: `bare` without the unit, `text` with it. */
export function useLength() {
  const unit = useContext(UnitContext);
  const bare = (mm: number, decimals = 2) => fixed(mm / mmPer(unit), unit === "in" ? decimals + 1 : decimals);
  return { unit, bare, text: (mm: number, decimals = 2) => `${bare(mm, decimals)} ${unit}` };
}

const STATED = /^(-?[\d.]+) mm$/;
const LENGTH = / (mm|in)$/;
const BARE = /^[\d\s.,+\-−*×/()]+$/;

/** The finest part of an inch that a tape measure has. */
const FINEST = 64;
/** A length of a fraction is kept in mm to four decimals: so near it is that fraction, in. */
const SAME = 4e-6;

/** Inches as a tape measure has them, “1 3/8”; null for what is no such fraction, and for whole numbers. */
export function fractionOf(inches: number): string | null {
  const parts = Math.round(Math.abs(inches) * FINEST);
  if (Math.abs(Math.abs(inches) - parts / FINEST) > SAME || parts % FINEST === 0) return null;
  let [over, under] = [parts % FINEST, FINEST];
  while (over % 2 === 0) [over, under] = [over / 2, under / 2];
  const whole = Math.floor(parts / FINEST);
  return `${inches < 0 ? "-" : ""}${whole ? `${whole} ` : ""}${over}/${under}`;
}

/** A text that begins with a fraction, with a decimal number in its place. */
export function inDecimals(text: string): string {
  return text.replace(
    /^\s*(-?)(?:(\d+) )?(\d+)\/(\d+)/,
    (_, sign: string, whole: string | undefined, over, under) =>
      `${sign}${Number(whole ?? 0) + Number(over) / Number(under)}`,
  );
}

/** What a field shows: a length stated in mm, in the unit; anything else as it is. */
export function shownIn(unit: Unit, value: string): string {
  const mm = unit === "in" && STATED.exec(value);
  if (!mm) return value;
  const inches = Number(mm[1]) / mmPer(unit);
  const fraction = fractionOf(inches);
  if (fraction) return `${fraction} in`;
  return `${Number(inches.toFixed(4)) === 0 ? "0" : inches.toFixed(Math.max(3, decimals(inches)))} in`;
}

/** Whether a field's value is a length by the way it is written. */
export const isLength = (value: string) => LENGTH.test(value);

/** What was entered for a length, with the unit where none was said: a bare number is in the sheet's. */
export function typedIn(unit: Unit, entered: string): string {
  if (unit === "mm" || !BARE.test(entered)) return entered;
  return /^[\d.\s]+$/.test(entered) ? `${entered.trim()} in` : `(${entered.trim()}) in`;
}

/** A step that is about as large, to one figure. */
export function stepIn(unit: Unit, step: number): number {
  return unit === "in" ? Number((step / mmPer(unit)).toPrecision(1)) : step;
}
