/** What is carried by dragging: a brush from the list, or paths to another seam group. */

const TYPE = "application/x-curlet-brush";

export function carryBrush(event: React.DragEvent, id: string) {
  event.dataTransfer.setData(TYPE, id);
  event.dataTransfer.setData("text/plain", id);
  event.dataTransfer.effectAllowed = "copy";
}

/** The brush that is dragged over or dropped here; while dragging only that there is one is known. */
export function draggedBrush(event: React.DragEvent): string | null {
  if (!event.dataTransfer.types.includes(TYPE)) return null;
  return event.dataTransfer.getData(TYPE) || "?";
}

const PATHS = "application/x-curlet-paths";

export function carryPaths(event: React.DragEvent, ids: readonly string[]) {
  event.dataTransfer.setData(PATHS, ids.join(" "));
  event.dataTransfer.effectAllowed = "move";
}

export const carriesPaths = (event: React.DragEvent) => event.dataTransfer.types.includes(PATHS);

export const carriedPaths = (event: React.DragEvent): string[] =>
  event.dataTransfer.getData(PATHS).split(" ").filter(Boolean);
