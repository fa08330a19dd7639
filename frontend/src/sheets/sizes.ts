/** Sizes of sheets as they are written. */
import type { SheetListed } from "@/shared/api/types";
import { mmPer } from "@/shared/ui/unit";

/** A side in the sheet's unit, without the unit. */
export function sideText(mm: number, unit: SheetListed["unit"]): string {
  return String(Number((mm / mmPer(unit)).toFixed(unit === "in" ? 3 : 2)));
}
