/** Which rows of a card are open: they stay open for the next path, or the next brush. */
import { create } from "zustand";

interface OpenRows {
  open: ReadonlySet<string>;
  /** Open a row or fold it; the others fold unless they are kept. */
  press: (id: string, keepOthers: boolean) => void;
  fold: (id: string) => void;
  /** Open a row that a pick elsewhere is about. */
  show: (id: string) => void;
}

export const useOpenRows = create<OpenRows>((set, get) => ({
  open: new Set(),
  press: (id, keepOthers) => {
    const { open } = get();
    const others = keepOthers ? [...open].filter((other) => other !== id) : [];
    set({ open: new Set(open.has(id) ? others : [...others, id]) });
  },
  fold: (id) => set({ open: new Set([...get().open].filter((other) => other !== id)) }),
  show: (id) => set({ open: new Set([...get().open, id]) }),
}));
