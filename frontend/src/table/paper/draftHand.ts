/** The hand with the Draft tool: press for a straight node, drag for a curved one. */
import { useDrag } from "@use-gesture/react";
import { useEffect } from "react";

import { useDesk, useShown } from "../sheet";
import { type DraftNode, hand } from "../state";
import { type Spot, toScreen } from "../view";
import { sheetSpot } from "./paperHand";

/** How near to the first node, px, a press closes the path. */
const NEAR = 9;
/** How far a press must move, px, to pull out handles. */
const PULL = 3;

export function closesDraft(at: Spot): boolean {
  const { draft, view } = hand();
  if (draft.length < 2 || !view) return false;
  const first = toScreen(view, draft[0]!);
  const here = toScreen(view, at);
  return Math.hypot(first.x - here.x, first.y - here.y) <= NEAR;
}

/** A node whose handles are pulled out to `to` and as far to the other side. */
function pulled(node: DraftNode, to: Spot): DraftNode {
  return { ...node, out: [to.x, to.y], into: [2 * node.x - to.x, 2 * node.y - to.y] };
}

const bare = (at: Spot): DraftNode => ({ x: at.x, y: at.y, into: null, out: null });

/** Ends the draft: kept if it has two nodes, forgotten otherwise. */
export function useEndDraft() {
  const desk = useDesk();
  const { head } = useShown();
  return async (closed: boolean) => {
    const { draft, chosen } = hand();
    hand().set({ draft: [] });
    if (draft.length < 2) return;
    const known = new Set(head.paths.map((path) => path.id));
    const group = head.paths.find((path) => path.id === chosen.at(-1))?.group ?? null;
    const refusal = await desk.command({ kind: "draw-path", nodes: draft, closed, group });
    if (refusal) hand().set({ draft });
    else desk.choose((path) => !known.has(path.id));
  };
}

export function useDraftHand() {
  const end = useEndDraft();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const field = event.target instanceof HTMLElement && event.target.matches("input, textarea, button");
      if (hand().tool === "draft" && !field && key(event, end)) event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  const bind = useDrag(
    ({ event, first, last, memo, movement: [mx, my] }) => {
      const at = sheetSpot(event as PointerEvent);
      if (first && closesDraft(at)) {
        void end(true);
        return "closed";
      }
      if (memo === "closed") return memo;
      const { draft } = hand();
      if (first) hand().set({ draft: [...draft, bare(at)] });
      else if (Math.hypot(mx, my) > PULL) hand().set({ draft: [...draft.slice(0, -1), pulled(draft.at(-1)!, at)] });
      if (last) hand().set({ pointer: at });
      return memo;
    },
    { pointer: { buttons: [1] } },
  );
  return {
    ...bind(),
    onPointerMove: (event: React.PointerEvent) => {
      bind().onPointerMove?.(event);
      hand().set({ pointer: sheetSpot(event) });
    },
  };
}

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Drafting by keys: arrows move the point (Shift for ten times), Space sets a node. */
function key(event: KeyboardEvent, end: (closed: boolean) => void): boolean {
  const { draft, pointer, view, window } = hand();
  const here = pointer ?? { x: (window.width / 2 - view!.x) / view!.zoom, y: (window.height / 2 - view!.y) / view!.zoom };
  const arrow = ARROWS[event.key];
  if (arrow) {
    const step = event.shiftKey ? 10 : 1;
    hand().set({ pointer: { x: here.x + step * arrow[0], y: here.y + step * arrow[1] } });
  } else if (event.key === " ") {
    if (closesDraft(here)) end(true);
    else hand().set({ draft: [...draft, bare(here)], pointer: here });
  } else if (event.key === "Enter" || event.key === "Escape") end(false);
  else if (event.key === "Backspace" && draft.length) hand().set({ draft: draft.slice(0, -1) });
  else return false;
  return true;
}
