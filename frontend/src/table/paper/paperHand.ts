/** The hand on bare paper: a drag pans, a press on a path chooses it, on nothing lets go. */
import { useDrag } from "@use-gesture/react";
import { useEffect } from "react";

import type { SheetFrame } from "@/shared/api/types";

import { type Desk, useDesk, useShown } from "../sheet";
import { choosePaths, hand } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
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
function choose(event: Placed & { shiftKey: boolean }, head: SheetFrame) {
  const { chosen } = hand();
  const under = pathsAt(event);
  const now = under.indexOf(chosen.at(-1) ?? "");
  const next = under[(now + 1) % under.length];
  if (!next) return choosePaths([]);
  if (!event.shiftKey) return choosePaths(wholeText(head, next));
  const first = wholeText(head, under[0]!);
  const others = chosen.filter((id) => !first.includes(id));
  choosePaths(others.length < chosen.length ? others : [...others, ...first]);
}

/** All letters of the text that a path is one of, that one last; a path by itself otherwise. */
function wholeText(head: SheetFrame, id: string): string[] {
  const text = head.paths.find((path) => path.id === id)?.lettering;
  if (!text) return [id];
  return [...head.paths.filter((path) => path.lettering === text && path.id !== id).map((path) => path.id), id];
}

/** Whether a press is on a path that is chosen already: a drag from there moves what is chosen. */
function onChosen(event: Placed): boolean {
  const { chosen } = hand();
  return pathsAt(event).some((id) => chosen.includes(id));
}

interface Carrying {
  movement: [number, number];
  straight: boolean;
  last: boolean;
}

/** Move the chosen paths with the pointer; with Shift level or upright only. */
function carry(desk: Desk, head: SheetFrame, { movement: [mx, my], straight, last }: Carrying) {
  const { view, chosen } = hand();
  const level = Math.abs(mx) > Math.abs(my);
  const x = (straight && !level ? 0 : mx) / view!.zoom;
  const y = (straight && level ? 0 : my) / view!.zoom;
  const paths = chosen.filter((id) => !head.paths.find((path) => path.id === id)?.locked);
  if (!paths.length) return;
  if (last) void desk.command({ kind: "move-paths", paths, x, y });
  else desk.preview({ kind: "move-paths", paths, x, y });
}

async function cutAt(desk: Desk, event: Placed) {
  const path = hand().chosen.at(-1);
  hand().set({ cutting: false });
  if (!path || !pathsAt(event).includes(path)) return;
  const { x, y } = sheetSpot(event);
  await desk.command({ kind: "cut-path", path, x, y });
}

/** Arrow keys on the sheet move what is chosen: 1 mm worn, with Shift 10, with Ctrl a tenth. */
function useNudge() {
  const desk = useDesk();
  const { head } = useShown();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const arrow = ARROWS[event.key];
      const field = event.target instanceof Element && event.target.matches("input, select, textarea, [role=slider]");
      const { chosen, tool } = hand();
      if (!arrow || field || !chosen.length || tool !== "choose" || event.defaultPrevented) return;
      event.preventDefault();
      const step = head.sheet.factor * nudge(event);
      void desk.command({ kind: "move-paths", paths: [...chosen], x: step * arrow[0], y: step * arrow[1] });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [desk, head]);
}

export function usePaperHand() {
  const desk = useDesk();
  const { head } = useShown();
  useNudge();
  const bind = useDrag(
    ({ event, tap, delta, movement, first, last, memo }) => {
      const pointer = event as PointerEvent;
      const carried = first ? onChosen(pointer) : (memo as boolean);
      if (first) hand().set({ lit: null });
      if (tap && hand().cutting) void cutAt(desk, pointer);
      else if (tap) choose(pointer, head);
      else if (carried) carry(desk, head, { movement, straight: pointer.shiftKey, last });
      else {
        const { view } = hand();
        if (view) hand().set({ view: panBy(view, ...delta) });
      }
      return carried;
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
