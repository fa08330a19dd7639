/** The sheet that was on the Table last: the way back there from other views. Kept in this browser. */
const KEY = "curlet-sheet";

export function keepSheet(id: string) {
  localStorage.setItem(KEY, id);
}

export function wayToTable(): string {
  const last = localStorage.getItem(KEY);
  return last ? `/sheets/${last}` : "/";
}
