/** A brush carried from the drawer by dragging. */

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
