/** Paths that share a row: right and left halves of a garment, “Hem R” and “Hem L”, and the letters of a text. */
import type { LetteringShown, PathShown } from "@/shared/api/types";

export interface Pair {
  name: string;
  paths: PathShown[];
  text?: boolean;
}

const SIDED = /^(.*\S)\s+([RL])$/;

export const sideOf = (path: PathShown) => SIDED.exec(path.name)?.[2] ?? null;

export const sideWords: Record<string, string> = { R: "wearer’s right", L: "wearer’s left" };

/** Paths in their order, mates together under the name that they share, letters under their text. */
export function inPairs(paths: PathShown[], letterings: readonly LetteringShown[]): Pair[] {
  const rows = new Map<string, Pair>();
  for (const path of paths) {
    const text = letterings.find((item) => item.id === path.lettering)?.text;
    if (text) {
      const row = rows.get(path.lettering!);
      if (row) row.paths.push(path);
      else rows.set(path.lettering!, { name: `“${text}”`, paths: [path], text: true });
      continue;
    }
    const sided = SIDED.exec(path.name);
    const mate = sided && rows.get(`${sided[1]} sided`);
    if (mate && mate.paths.length === 1 && sideOf(mate.paths[0]!) !== sided[2]) mate.paths.push(path);
    else if (sided && !mate) rows.set(`${sided[1]} sided`, { name: sided[1]!, paths: [path] });
    else rows.set(path.id, { name: path.name, paths: [path] });
  }
  return [...rows.values()].map((row) =>
    row.paths.length === 1 && !row.text ? { name: row.paths[0]!.name, paths: row.paths } : row,
  );
}
