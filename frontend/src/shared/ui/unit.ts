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

/** What a field shows: a length stated in mm, in the unit; anything else as it is. */
export function shownIn(unit: Unit, value: string): string {
  const mm = unit === "in" && STATED.exec(value);
  if (!mm) return value;
  const inches = Number(mm[1]) / mmPer(unit);
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
