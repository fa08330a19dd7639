/** Who sets settings: a run on the Table, or the brush itself on the Bench. Both are set by the same controls. */
import { createContext, useContext } from "react";

import type { BrushDoc, RowDoc } from "@/shared/api/types";

export type Entered = string | boolean;
export type Value = unknown[] | Record<string, unknown>;

export interface Maker {
  doc: BrushDoc;
  /** Whether its artwork has colours of its own, which can take the thread. */
  coloured: boolean;
  /** The course that is set. */
  course: number;
  /** Whether the rows that are like it are set with it. */
  asOne: boolean;
  /** Pointers that a run has changed for itself; none on the Bench. */
  own: readonly string[];
  /** Show what a setting would do; nothing is kept. */
  tryOut: (pointer: string, entered: Entered) => void;
  /** Keep it. Resolves to null, or to what is wrong with it. */
  keep: (pointer: string, entered: Entered) => Promise<string | null>;
  tryValue: (pointer: string, value: Value) => void;
  keepValue: (pointer: string, value: Value) => Promise<string | null>;
  forget: () => void;
  /** Give up a run's own settings. */
  follow: (pointers: string[]) => void;
}

export const MakerContext = createContext<Maker | null>(null);

export const useMakerIfAny = () => useContext(MakerContext);

export function useMaker(): Maker {
  const maker = useMakerIfAny();
  if (!maker) throw new Error("no maker");
  return maker;
}

/** The row that is set, and where its settings are: "*" stands for every row that is set with it. */
export function useRow(): { row: RowDoc; at: (name: string) => string } | null {
  const { doc, course, asOne } = useMaker();
  const row = doc.courses?.[course];
  return row?.course === "row" ? { row, at: (name) => `/courses/${asOne ? "*" : course}/${name}` } : null;
}

/** Those of some settings that a run has changed for itself, or something in them. */
export function ownOf({ own }: Maker, pointers: readonly string[]): readonly string[] {
  return pointers.filter((pointer) => {
    const within = pointer === "/gauge" ? "/courses/*/offset" : pointer;
    const pattern = new RegExp(`^${within.replace("*", "\\d+")}(/|$)`);
    return own.some((changed) => pattern.test(changed));
  });
}
