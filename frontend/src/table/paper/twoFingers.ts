/** Two fingers on the sheet: they carry it along, and what lies between them grows as they part. */
import { useRef } from "react";

import { tableState } from "../state";
import { panBy, type Spot, zoomAbout } from "../view";

const far = (a: Spot, b: Spot) => Math.hypot(a.x - b.x, a.y - b.y);
const between = (a: Spot, b: Spot): Spot => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

let pinched = false;

/** Whether a second finger came since the first was put down: what the first one began is not carried out. */
export const wasPinched = () => pinched;

/** Does something where the sheet is pressed; with a finger once it is lifted, unless a second one came. */
export const onPress = (act: (event: React.PointerEvent) => void) => ({
  onPointerDown: (event: React.PointerEvent) => {
    if (event.button === 0 && event.pointerType !== "touch") act(event);
  },
  onPointerUp: (event: React.PointerEvent) => {
    if (event.pointerType === "touch" && !wasPinched()) act(event);
  },
});

/** `taken` says that a second finger came: what the first had begun is given up. */
export function useTwoFingers(taken: () => void) {
  const fingers = useRef(new Map<number, Spot>());
  const spot = (event: React.PointerEvent): Spot => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const lift = (event: React.PointerEvent) => void fingers.current.delete(event.pointerId);
  return {
    onPointerDownCapture: (event: React.PointerEvent) => {
      if (event.pointerType !== "touch") fingers.current.clear();
      else fingers.current.set(event.pointerId, spot(event));
      pinched = fingers.current.size > 1;
      if (!pinched) return;
      event.stopPropagation();
      taken();
    },
    onPointerMoveCapture: (event: React.PointerEvent) => {
      const { current } = fingers;
      const before = current.get(event.pointerId);
      if (!before) return;
      const now = spot(event);
      current.set(event.pointerId, now);
      const other = [...current].find(([id]) => id !== event.pointerId)?.[1];
      const { view } = tableState();
      if (!other || !view) return;
      event.stopPropagation();
      const [from, to] = [between(before, other), between(now, other)];
      const moved = panBy(view, to.x - from.x, to.y - from.y);
      tableState().set({ view: zoomAbout(moved, to, far(now, other) / Math.max(far(before, other), 1)) });
    },
    onPointerUpCapture: lift,
    onPointerCancelCapture: lift,
  };
}
