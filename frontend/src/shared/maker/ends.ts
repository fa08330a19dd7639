/** How a row begins and ends, in words. */
import type { RowDoc } from "@/shared/api/types";

import { mmText } from "./fields";

/** `open` and `closed` say which ends are asked of. */
export function endWords(ends: NonNullable<RowDoc["ends"]>, open: boolean, closed: boolean): string {
  const words = [
    open && ends.backtack ? `backtack ${ends.backtack}` : null,
    open && ends.condensed ? `condensed ${ends.condensed}` : null,
    open && ends.bartack?.mm ? `bartack ${mmText(ends.bartack)}` : null,
    closed && ends.oversew ? `oversewn ${ends.oversew}` : null,
  ].filter(Boolean);
  return words.length ? words.join(", ") : "plain";
}
