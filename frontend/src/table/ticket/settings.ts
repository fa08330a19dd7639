/** Changing settings of every chosen run at once: tried while typing, kept when done. */
import { useMemo } from "react";

import type { Intent, RunShown } from "@/shared/api/types";

import { useChosen, useDesk } from "../sheet";

export const STITCH = "/courses/0/length";
export const GAP = "/courses/0/gap";
export const THREAD = "/courses/0/motif/thread";

export function useSettings() {
  const desk = useDesk();
  const { runs } = useChosen();
  const ids = useMemo(() => runs.map((run) => run.id), [runs]);
  return useMemo(() => {
    const set = (pointer: string, typed: string | boolean): Intent => ({
      kind: "set-on-runs",
      runs: ids,
      settings: [{ pointer, typed }],
    });
    return {
      tryOut: (pointer: string, typed: string | boolean) => desk.preview(set(pointer, typed)),
      keep: async (pointer: string, typed: string | boolean) =>
        (await desk.command(set(pointer, typed)))?.message ?? null,
      keepAll: (settings: { pointer: string; typed: string | boolean }[], run: string) =>
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
