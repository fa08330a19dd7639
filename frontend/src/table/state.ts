/** What the hand is doing on the Table: nothing here is kept by the server. */
import { create } from "zustand";

import type { Frame } from "@/shared/api/frame";

import type { Size, Spot, View } from "./view";

export type Tool = "choose" | "draft";

export interface DraftNode extends Spot {
  into: [number, number] | null;
  out: [number, number] | null;
}

export interface Notice {
  tone: "fault" | "word";
  text: string;
}

interface Hand {
  tool: Tool;
  view: View | null;
  window: Size;
  chosen: string[];
  nodes: string[];
  marks: boolean;
  draft: DraftNode[];
  pointer: Spot | null;
  lit: { run: string; index: number } | null;
  preview: Frame | null;
  notice: Notice | null;
  sending: boolean;
  set: (values: Partial<Omit<Hand, "set">>) => void;
}

export const useHand = create<Hand>((set) => ({
  tool: "choose",
  view: null,
  window: { width: 0, height: 0 },
  chosen: [],
  nodes: [],
  marks: true,
  draft: [],
  pointer: null,
  lit: null,
  preview: null,
  notice: null,
  sending: false,
  set: (values) => set(values),
}));

/** Outside of rendering: the hand as it is now. */
export const hand = () => useHand.getState();
