/** The order in which things are painted: what is chosen is put in another place of it. */
import type { Intent, PathShown, RunShown } from "@/shared/api/types";

import type { SheetSession } from "./sheet";
import { tableState } from "./state";

export type Where = Extract<Intent, { kind: "reorder" }>["to"];
type Painted = Extract<Intent, { kind: "reorder" }>["items"][number];

export const WHERE: readonly (readonly [Where, string, string])[] = [
  ["front", "To the front", "Ctrl+Shift+]"],
  ["above", "One above", "Ctrl+]"],
  ["below", "One below", "Ctrl+["],
  ["back", "To the back", "Ctrl+Shift+["],
];

/** What is chosen: paths, each with its runs, a single repeat, or a guide picture. */
function chosenItems(): Painted[] {
  const { chosen, single, picture } = tableState();
  if (single) return [{ kind: "single", id: single }];
  if (chosen.length) return chosen.map((id) => ({ kind: "path", id }));
  return picture?.kind === "guide" ? [{ kind: "guide", id: picture.id }] : [];
}

export function reorderChosen(session: SheetSession, to: Where) {
  const items = chosenItems();
  if (items.length) void session.command({ kind: "reorder", items, to });
}

/** Put a run in another place, or above or below another run. */
export function reorderRun(session: SheetSession, run: string, to: Where, of?: string) {
  const items = [{ kind: "run" as const, id: run }];
  void session.command({ kind: "reorder", items, to, of: of === undefined ? null : { kind: "run", id: of } });
}

/** Put paths over or under another, all that lies on it with it, and into its group. */
export function reorderPaths(session: SheetSession, paths: readonly string[], to: "above" | "below", of: PathShown) {
  if (paths.includes(of.id)) return;
  const items = paths.map((id) => ({ kind: "path" as const, id }));
  const top =
    to === "above" &&
    session.frame.runs
      .filter((run) => run.path === of.id)
      .toSorted(byPosition)
      .at(-1);
  void session.command({
    kind: "reorder",
    items,
    to,
    of: top ? { kind: "run", id: top.id } : { kind: "path", id: of.id },
    grouped_with: of.id,
  });
}

const byPosition = (a: RunShown, b: RunShown) => a.position - b.position;

/** How high a path lies: the highest of what is seen of it. */
export function heights(paths: readonly PathShown[], runs: readonly RunShown[]): Map<string, number> {
  const found = new Map(paths.map((path) => [path.id, path.position]));
  for (const run of runs) found.set(run.path, Math.max(found.get(run.path) ?? -Infinity, run.position));
  return found;
}
