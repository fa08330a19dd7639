/** Changing settings of every chosen run at once: tried while typing, kept when done. */
import { useMemo, useState } from "react";

import type { Intent, RowShown, RunShown } from "@/shared/api/types";

import { rowOf } from "../rows";
import type { Maker, Entered, Value } from "@/shared/maker/maker";

import { useChosen, useSheetSession } from "../sheet";
import { useTableState } from "../state";

export function useSettings() {
  const session = useSheetSession();
  const { runs } = useChosen();
  const ids = useMemo(() => runs.map((run) => run.id), [runs]);
  return useMemo(() => {
    const set = (pointer: string, entered: Entered): Intent => ({
      kind: "set-on-runs",
      runs: ids,
      settings: [{ pointer, entered }],
    });
    const put = (pointer: string, value: Value): Intent => ({
      kind: "set-on-runs",
      runs: ids,
      settings: [{ pointer, value }],
    });
    return {
      tryOut: (pointer: string, entered: Entered) => session.preview(set(pointer, entered)),
      keep: async (pointer: string, entered: Entered) => await session.entered(set(pointer, entered)),
      tryValue: (pointer: string, value: Value) => session.preview(put(pointer, value)),
      keepValue: async (pointer: string, value: Value) => await session.entered(put(pointer, value)),
      keepAll: (settings: { pointer: string; entered: Entered }[], run: string) =>
        session.command({ kind: "set-on-runs", runs: [run], settings }),
      forget: () => session.dropPreviews(true),
      measureOn: (pointer: string, on: "garment" | "paper") =>
        session.command({ kind: "measure-on", runs: ids, pointer, on }),
      follow: (pointers?: string[]) => void session.command({ kind: "follow-brush", runs: ids, pointers }),
    };
  }, [session, ids]);
}

/** The chosen run; only for parts of the Ticket that are shown when there is one. */
export function useRun(): RunShown {
  const { run } = useChosen();
  if (!run) throw new Error("no run chosen");
  return run;
}

/** The course that the Ticket sets: the one picked, else the run's first row, else the topmost. */
export function useCourse(): number {
  return courseOf(
    useRun(),
    useTableState((state) => state.course),
  );
}

function courseOf(run: RunShown, picked: { run: string; index: number } | null): number {
  const courses = run.settings.courses ?? [];
  if (picked?.run === run.id && picked.index < courses.length) return picked.index;
  // What cannot be laid does not say which row it is measured by: its first.
  const first = run.main ?? courses.findIndex((course) => course.course === "row");
  return first < 0 ? courses.length - 1 : first;
}

/** The row that the Ticket sets, as it was laid, or as it was last while it cannot be laid: what is being typed
 * stays in its field. Null for a band or a span. */
export function useShownRow(): RowShown | null {
  const run = useRun();
  const row = rowOf(run, useCourse());
  const [last, setLast] = useState({ run: run.id, row });
  if (row && (last.row !== row || last.run !== run.id)) setLast({ run: run.id, row });
  return row ?? (run.fault && last.run === run.id ? last.row : null);
}

/** The chosen run as the one who sets settings. */
export function useRunMaker(run: RunShown): Maker {
  const settings = useSettings();
  const picked = useTableState((state) => state.course);
  const course = courseOf(run, picked);
  const asOne = picked?.run !== run.id && (run.alike ?? []).includes(course);
  return { ...settings, doc: run.settings, coloured: run.coloured ?? false, course, asOne, own: run.own };
}
