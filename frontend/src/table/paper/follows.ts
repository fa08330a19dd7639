/** What follows a path while it is dragged: it lies where the hand has brought it, and draws the pointer nowhere. */
import type { SheetFrame } from "@/shared/api/types";

/** The path itself, its live half, text along it, the edges of areas that are made of it, and so on from those. */
export function follows(frame: SheetFrame, path: string): ReadonlySet<string> {
  const found = new Set([path]);
  const pathOf = new Map(frame.runs.map((run) => [run.id, run.path]));
  const areaOf = new Map(frame.areas.map((area) => [area.id, area.paths]));
  for (let count = 0; count < found.size;) {
    count = found.size;
    for (const { id, half } of frame.paths) {
      if (half && (found.has(half) || found.has(id))) found.add(half).add(id);
    }
    for (const text of frame.letterings) {
      if (!text.along || !found.has(text.along)) continue;
      for (const letter of frame.paths) if (letter.lettering === text.id) found.add(letter.id);
    }
    for (const area of frame.areas) {
      const shapes = area.members.flatMap(({ kind, id }) =>
        kind === "area" ? (areaOf.get(id) ?? []) : [kind === "run" ? pathOf.get(id) : id],
      );
      if (shapes.some((shape) => shape && found.has(shape))) area.paths.forEach((edge) => found.add(edge));
    }
  }
  return found;
}
