/** Changing settings of every chosen run at once: tried while typing, kept when done. */
import { useMemo } from "react";

import type { Intent, RowDoc, RunShown } from "@/shared/api/types";

import { useChosen, useDesk } from "../sheet";

type Typed = string | boolean;
type Value = unknown[] | Record<string, unknown>;

export function useSettings() {
  const desk = useDesk();
  const { runs } = useChosen();
  const ids = useMemo(() => runs.map((run) => run.id), [runs]);
  return useMemo(() => {
    const set = (pointer: string, typed: Typed): Intent => ({
      kind: "set-on-runs",
      runs: ids,
      settings: [{ pointer, typed }],
    });
    const put = (pointer: string, value: Value): Intent => ({
      kind: "set-on-runs",
      runs: ids,
      settings: [{ pointer, value }],
    });
    return {
      tryOut: (pointer: string, typed: Typed) => desk.preview(set(pointer, typed)),
      keep: async (pointer: string, typed: Typed) => (await desk.command(set(pointer, typed)))?.message ?? null,
      tryValue: (pointer: string, value: Value) => desk.preview(put(pointer, value)),
      keepValue: async (pointer: string, value: Value) => (await desk.command(put(pointer, value)))?.message ?? null,
      keepAll: (settings: { pointer: string; typed: Typed }[], run: string) =>
        desk.command({ kind: "set-on-runs", runs: [run], settings }),
      forget: () => desk.dropPreviews(true),
      frame: (pointer: string, frame: "worn" | "printed") =>
        desk.command({ kind: "set-frame", runs: ids, pointer, frame }),
      follow: (pointers?: string[]) => desk.command({ kind: "follow-brush", runs: ids, pointers }),
    };
  }, [desk, ids]);
}

/** The chosen run; only for parts of the Ticket that are shown when there is one. */
export function useRun(): RunShown {
  const { run } = useChosen();
  if (!run) throw new Error("no run chosen");
  return run;
}

/** The row that the run's measures are read from, and where its settings are. */
export function useRow(): { row: RowDoc; at: (name: string) => string } | null {
  const run = useRun();
  const index = run.main ?? null;
  const course = index === null ? undefined : run.settings.courses?.[index];
  if (index === null || course?.course !== "row") return null;
  return { row: course, at: (name) => `/courses/${index}/${name}` };
}

/** What a row's repeats are called: stitches, links, or repeats. */
export function repeatWord(run: RunShown): { one: string; many: string } {
  if (run.settings.kind === "stitch") return { one: "stitch", many: "stitches" };
  if (run.settings.kind === "chain") return { one: "link", many: "links" };
  return { one: "repeat", many: "repeats" };
}
