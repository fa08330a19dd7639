/** How far the guide is; kept in this browser. */
import { create } from "zustand";

import { STEPS } from "./steps";

const KEPT = "curlet-guide";
const CLOSED = "closed";

const begun = () => {
  const kept = localStorage.getItem(KEPT);
  return kept === CLOSED ? null : Math.min(Number(kept ?? 0) || 0, STEPS.length);
};

/** The step, one past the last when all are done; null while it is closed. */
export const useGuide = create<{ step: number | null }>(() => ({ step: begun() }));

export function guideTo(step: number | null) {
  localStorage.setItem(KEPT, step === null ? CLOSED : String(step));
  useGuide.setState({ step });
}
