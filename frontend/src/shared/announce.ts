/** What happened, for those who do not see it: spoken by the page's live region. */
import { create } from "zustand";

/** `turn` tells the same words said twice apart. */
export const useAnnounced = create<{ text: string; turn: number }>(() => ({ text: "", turn: 0 }));

export function announce(text: string) {
  useAnnounced.setState(({ turn }) => ({ text, turn: turn + 1 }));
}
