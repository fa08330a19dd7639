/** The pointer with the Draft tool: press for a straight node, drag for a curved one. */
import { useDrag } from "@use-gesture/react";
import { useEffect } from "react";

import { sheetSpot } from "../../paper/paperPointer";
import { wasPinched } from "../../paper/twoFingers";
import { type Landing, landing } from "../../paper/snap";
import { useSheetSession } from "../../sheet";
import { type DraftNode, tableState } from "../../state";
import { onSheet, type Spot, toScreen } from "../../view";
import { ARROWS } from "../arrows";

/** How near to the first node, px, a press closes the path. */
const NEAR = 9;
/** How far a press must move, px, to pull out handles. */
const PULL = 3;

export function closesDraft(at: Spot): boolean {
  const { draft, view } = tableState();
  if (draft.length < 2 || !view) return false;
  const first = toScreen(view, draft[0]!);
  const here = toScreen(view, at);
  return Math.hypot(first.x - here.x, first.y - here.y) <= NEAR;
}

/** A node whose handles are pulled out to `to` and as far to the other side. */
function pulled(node: DraftNode, to: Spot): DraftNode {
  return { ...node, out: [to.x, to.y], into: [2 * node.x - to.x, 2 * node.y - to.y] };
}

const bare = ({ x, y, end }: Landing): DraftNode => ({ x, y, end, into: null, out: null });

/** Ends the draft: kept if it has two nodes, forgotten otherwise. */
export function useEndDraft() {
  const session = useSheetSession();
  return async (closed: boolean) => {
    const { draft, chosen } = tableState();
    tableState().set({ draft: [] });
    if (draft.length < 2) return;
    const known = new Set(session.frame.paths.map((path) => path.id));
    const group = session.frame.paths.find((path) => path.id === chosen.at(-1))?.group ?? null;
    const nodes = draft.map(({ x, y, into, out }) => ({ x, y, into, out }));
    const [goes_on, arrives] = closed ? [null, null] : [draft[0]!.end, draft.at(-1)!.end];
    const refusal = await session.command({ kind: "draw-path", nodes, closed, group, goes_on, arrives });
    if (refusal) tableState().set({ draft });
    else if (goes_on ?? arrives) session.choose((path) => path.id === (goes_on ?? arrives)!.path);
    else session.choose((path) => !known.has(path.id));
  };
}

/** Sets a node where the pointer has landed; one at the end of another path ends the draft there. */
export function useSetNode() {
  const end = useEndDraft();
  return (at: Landing) => {
    const { draft } = tableState();
    if (closesDraft(at)) return void end(true);
    tableState().set({ draft: [...draft, bare(at)], pointer: at });
    if (at.end && draft.length) void end(false);
  };
}

export function useDraftPointer() {
  const end = useEndDraft();
  const setNode = useSetNode();
  const session = useSheetSession();
  const land = (event: PointerEvent | React.PointerEvent) =>
    landing(sheetSpot(event), session.frame, { from: tableState().draft.at(-1), straight: event.shiftKey });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (tableState().tool === "draft" && onSheet(event.target) && key(event, end, setNode)) event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  const bind = useDrag(
    ({ event, first, last, memo, movement: [mx, my] }) => {
      const pointer = event as PointerEvent;
      if (first) {
        const before = tableState().draft.length;
        setNode(land(pointer));
        return tableState().draft.length > before ? "set" : "ended";
      }
      if (memo === "ended") return memo;
      const { draft } = tableState();
      if (wasPinched()) {
        // Two fingers carry the sheet: the first of them sets no node.
        tableState().set({ draft: draft.slice(0, -1) });
        return "ended";
      }
      if (draft.length && Math.hypot(mx, my) > PULL) {
        const node = draft.at(-1)!;
        const to = landing(sheetSpot(pointer), session.frame, { from: node, straight: pointer.shiftKey });
        tableState().set({ draft: [...draft.slice(0, -1), pulled(node, to)] });
      }
      if (last) tableState().set({ pointer: land(pointer) });
      return memo;
    },
    { pointer: { buttons: [1], keys: false } },
  );
  return {
    ...bind(),
    onPointerMove: (event: React.PointerEvent) => {
      bind().onPointerMove?.(event);
      const at = land(event);
      tableState().set({ pointer: at, on: at.on });
    },
    onPointerLeave: () => tableState().set({ on: null }),
  };
}

/** Drafting by keys: arrows move the point (Shift for ten times), Space sets a node. */
function key(event: KeyboardEvent, end: (closed: boolean) => void, setNode: (at: Landing) => void): boolean {
  const { draft, pointer, view, window } = tableState();
  const here = pointer ?? {
    x: (window.width / 2 - view!.x) / view!.zoom,
    y: (window.height / 2 - view!.y) / view!.zoom,
  };
  const arrow = ARROWS[event.key];
  if (arrow) {
    const step = event.shiftKey ? 10 : 1;
    tableState().set({ pointer: { x: here.x + step * arrow[0], y: here.y + step * arrow[1] }, on: null });
  } else if (event.key === " ") setNode({ ...here, on: null, end: null });
  else if (event.key === "Enter" || event.key === "Escape") end(false);
  else if (event.key === "Backspace" && draft.length) tableState().set({ draft: draft.slice(0, -1) });
  else return false;
  return true;
}
