/** The hand on bare paper: a drag pans, a press on a path chooses it, on nothing lets go. */
import { useDrag } from "@use-gesture/react";

import { useDesk } from "../sheet";
import { choosePaths, hand } from "../state";
import { panBy, type Spot, toSheet } from "../view";

interface Placed {
  clientX: number;
  clientY: number;
}

export function spotIn(element: Element, event: Placed): Spot {
  const box = element.getBoundingClientRect();
  return { x: event.clientX - box.left, y: event.clientY - box.top };
}

/** Where on the sheet an event happened, mm. */
export function sheetSpot(event: Placed): Spot {
  const paper = document.querySelector("[data-testid=paper]")!;
  return toSheet(hand().view!, spotIn(paper, event));
}

/** The paths under a point, topmost first. */
function pathsAt(event: Placed): string[] {
  const found = document.elementsFromPoint(event.clientX, event.clientY);
  return found.flatMap((element) => element.getAttribute("data-path") ?? []);
}

/** Choose the path under the pointer; pressing again takes the one beneath it. */
function choose(event: Placed & { shiftKey: boolean }) {
  const { chosen } = hand();
  const under = pathsAt(event);
  const now = under.indexOf(chosen.at(-1) ?? "");
  const next = under[(now + 1) % under.length];
  if (!next) return choosePaths([]);
  if (!event.shiftKey) return choosePaths([next]);
  const first = under[0]!;
  const others = chosen.filter((id) => id !== first);
  choosePaths(others.length < chosen.length ? others : [...others, first]);
}

export function usePaperHand() {
  const desk = useDesk();
  const bind = useDrag(
    ({ event, tap, delta, first }) => {
      const pointer = event as PointerEvent;
      if (first) hand().set({ lit: null });
      if (tap) return choose(pointer);
      const { view } = hand();
      if (view) hand().set({ view: panBy(view, ...delta) });
    },
    { filterTaps: true, pointer: { buttons: [1, 4] } },
  );
  return {
    ...bind(),
    onDoubleClick: (event: React.MouseEvent) => {
      const path = hand().chosen.at(-1);
      if (!path || !pathsAt(event).includes(path)) return;
      const { x, y } = sheetSpot(event);
      void desk.command({ kind: "add-node", path, x, y });
    },
    onPointerMove: (event: React.PointerEvent) => {
      bind().onPointerMove?.(event);
      hand().set({ pointer: sheetSpot(event) });
    },
    onPointerLeave: () => hand().set({ pointer: null, lit: null }),
  };
}
