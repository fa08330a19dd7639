/** The rows of a run as laid. */
import type { RowShown, RunShown } from "@/shared/api/types";

/** A row by its course; the one that the run's measures are read from if none is named. */
export function rowOf(run: RunShown, course: number | null | undefined = run.main): RowShown | null {
  return run.rows?.find((row) => row.course === course) ?? null;
}
