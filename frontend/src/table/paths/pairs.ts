/** Paths that share a row: right and left halves of a garment, “Hem R” and “Hem L”, the letters of a text, and the edges
 * of an area. */
import type { LetteringShown, PathShown } from "@/shared/api/types";

export interface Pair {
  name: string;
  paths: PathShown[];
  /** What its paths are counted as where they are one thing. */
  parts?: "path" | "edge";
}

const SIDED = /^(.*\S)\s+([RL])$/;

export const sideOf = (path: PathShown) => SIDED.exec(path.name)?.[2] ?? null;

export const sideWords: Record<string, string> = { R: "wearer’s right", L: "wearer’s left" };

/** Paths in their order, mates together under the name that they share, letters under their text, edges under the name of
 * their area. */
export function inPairs(paths: PathShown[], letterings: readonly LetteringShown[]): Pair[] {
  const rows = new Map<string, Pair>();
  for (const path of paths) {
    const text = letterings.find((item) => item.id === path.lettering)?.text;
    const whole = text ? path.lettering : path.area;
    if (whole) {
      const row = rows.get(whole);
      if (row) {
        row.paths.push(path);
        // “Area” of “Area, 2” and “Area”.
        if (!text && path.name.length < row.name.length) row.name = path.name;
      } else rows.set(whole, { name: text ? `“${text}”` : path.name, paths: [path], parts: text ? "path" : "edge" });
      continue;
    }
    const sided = SIDED.exec(path.name);
    const mate = sided && rows.get(`${sided[1]} sided`);
    if (mate && mate.paths.length === 1 && sideOf(mate.paths[0]!) !== sided[2]) mate.paths.push(path);
    else if (sided && !mate) rows.set(`${sided[1]} sided`, { name: sided[1]!, paths: [path] });
    else rows.set(path.id, { name: path.name, paths: [path] });
  }
  return [...rows.values()].map((row) =>
    row.paths.length === 1 && row.parts !== "path" ? { name: row.paths[0]!.name, paths: row.paths } : row,
  );
}
