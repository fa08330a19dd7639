/** Sizes of sheets as they are written. */
import type { SheetListed } from "@/shared/api/types";

const PER_INCH = 25.4;

/** A side in the sheet's unit, without the unit. */
export function sideText(mm: number, unit: SheetListed["unit"]): string {
  return String(Number((unit === "in" ? mm / PER_INCH : mm).toFixed(unit === "in" ? 3 : 2)));
}
