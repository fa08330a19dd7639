/** Right and left halves of a garment as one row: “Hem R” and “Hem L”. */
import type { PathShown } from "@/shared/api/types";

export interface Pair {
  name: string;
  paths: PathShown[];
}

const SIDED = /^(.*\S)\s+([RL])$/;

export const sideOf = (path: PathShown) => SIDED.exec(path.name)?.[2] ?? null;

export const sideWords: Record<string, string> = { R: "wearer’s right", L: "wearer’s left" };

/** Paths in their order, mates together under the name that they share. */
export function inPairs(paths: PathShown[]): Pair[] {
  const rows = new Map<string, Pair>();
  for (const path of paths) {
    const sided = SIDED.exec(path.name);
    const mate = sided && rows.get(`${sided[1]} sided`);
    if (mate && mate.paths.length === 1 && sideOf(mate.paths[0]!) !== sided[2]) mate.paths.push(path);
    else if (sided && !mate) rows.set(`${sided[1]} sided`, { name: sided[1]!, paths: [path] });
    else rows.set(path.id, { name: path.name, paths: [path] });
  }
  return [...rows.values()].map((row) =>
    row.paths.length === 1 ? { name: row.paths[0]!.name, paths: row.paths } : row,
  );
}
