import type { Spot } from "../view";

/** Which marks lie further than this from those that are shown before them, px: the others would hide them, and
 * show when the sheet is enlarged. */
export function haveRoom(spots: Spot[], apart: number): boolean[] {
  const taken = new Map<string, Spot[]>();
  const cell = (value: number) => Math.floor(value / apart);
  return spots.map((spot) => {
    const [column, row] = [cell(spot.x), cell(spot.y)];
    for (let i = column - 1; i <= column + 1; i++)
      for (let j = row - 1; j <= row + 1; j++)
        if (taken.get(`${i} ${j}`)?.some((other) => Math.hypot(other.x - spot.x, other.y - spot.y) <= apart))
          return false;
    const key = `${column} ${row}`;
    taken.set(key, [...(taken.get(key) ?? []), spot]);
    return true;
  });
}
