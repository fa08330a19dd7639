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

export interface Place {
  kind: "corner" | "crossing" | "end";
  key: string;
}

interface Hand {
  tool: Tool;
  view: View | null;
  window: Size;
  chosen: string[];
  nodes: string[];
  /** Which of the chosen path's runs the Ticket is about; the topmost if none. */
  run: string | null;
  /** The course of a run that the Ticket sets; its first row if none. */
  course: { run: string; index: number } | null;
  /** A single place of the run: a corner by its node, a crossing by its key, an end by which it is. */
  place: Place | null;
  /** The next brush pressed is laid beside those that the path wears. */
  adding: boolean;
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
  run: null,
  course: null,
  place: null,
  adding: false,
  marks: true,
  draft: [],
  pointer: null,
  lit: null,
  preview: null,
  notice: null,
  sending: false,
  set: (values) => set(values),
}));

/** Choose paths, and nothing on them yet. */
export function choosePaths(chosen: string[]) {
  useHand.setState({ chosen, nodes: [], run: null, place: null, adding: false });
}

/** Outside of rendering: the hand as it is now. */
export const hand = () => useHand.getState();
