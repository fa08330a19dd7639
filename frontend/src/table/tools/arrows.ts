/** The arrow keys as steps on the sheet. */
export const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** How far an arrow moves something, garment mm: 1, with Shift 10, with Ctrl a tenth. */
export const nudge = (event: { shiftKey: boolean; ctrlKey: boolean }) =>
  event.shiftKey ? 10 : event.ctrlKey ? 0.1 : 1;
