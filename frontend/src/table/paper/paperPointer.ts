/** The pointer on bare paper: a drag pans, a press on a path chooses it, on nothing lets go. */
import { useDrag } from "@use-gesture/react";
import { useEffect } from "react";

import type { SheetFrame } from "@/shared/api/types";

import { type SheetSession, useSheetSession } from "../sheet";
import { choosePaths, tableState } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
import { PAPER, panBy, type Spot, toSheet } from "../view";

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
  const paper = document.getElementById(PAPER)!;
  return toSheet(tableState().view!, spotIn(paper, event));
}

/** The paths under a point, topmost first. */
function pathsAt(event: Placed): string[] {
  const found = document.elementsFromPoint(event.clientX, event.clientY);
  return found.flatMap((element) => element.getAttribute("data-path") ?? []);
}

/** Choose the path under the pointer; pressing again takes the one beneath it. */
function choose(event: Placed & { shiftKey: boolean }, frame: SheetFrame) {
  const { chosen } = tableState();
  const under = pathsAt(event);
  const now = under.indexOf(chosen.at(-1) ?? "");
  const next = under[(now + 1) % under.length];
  if (!next) return choosePaths([]);
  if (!event.shiftKey) return choosePaths(wholeText(frame, next));
  const first = wholeText(frame, under[0]!);
  const others = chosen.filter((id) => !first.includes(id));
  choosePaths(others.length < chosen.length ? others : [...others, ...first]);
}

/** All letters of the text that a path is one of, that one last; a path by itself otherwise. */
function wholeText(frame: SheetFrame, id: string): string[] {
  const text = frame.paths.find((path) => path.id === id)?.lettering;
  if (!text) return [id];
  return [...frame.paths.filter((path) => path.lettering === text && path.id !== id).map((path) => path.id), id];
}

/** Whether a press is on a path that is chosen already: a drag from there moves what is chosen. */
function onChosen(event: Placed): boolean {
  const { chosen } = tableState();
  return pathsAt(event).some((id) => chosen.includes(id));
}

interface Carrying {
  movement: [number, number];
  straight: boolean;
  last: boolean;
}

/** Move the chosen paths with the pointer; with Shift level or upright only. */
function carry(session: SheetSession, frame: SheetFrame, { movement: [mx, my], straight, last }: Carrying) {
  const { view, chosen } = tableState();
  const level = Math.abs(mx) > Math.abs(my);
  const x = (straight && !level ? 0 : mx) / view!.zoom;
  const y = (straight && level ? 0 : my) / view!.zoom;
  const paths = chosen.filter((id) => !frame.paths.find((path) => path.id === id)?.locked);
  if (!paths.length) return;
  if (last) void session.command({ kind: "move-paths", paths, x, y });
  else session.preview({ kind: "move-paths", paths, x, y });
}

async function cutAt(session: SheetSession, event: Placed) {
  const path = tableState().chosen.at(-1);
  tableState().set({ cutting: false });
  if (!path || !pathsAt(event).includes(path)) return;
  const { x, y } = sheetSpot(event);
  await session.command({ kind: "cut-path", path, x, y });
}

/** Arrow keys on the sheet move what is chosen: 1 mm on the garment, with Shift 10, with Ctrl a tenth. */
function useNudge() {
  const session = useSheetSession();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const arrow = ARROWS[event.key];
      const field = event.target instanceof Element && event.target.matches("input, select, textarea, [role=slider]");
      const { chosen, tool } = tableState();
      if (!arrow || field || !chosen.length || tool !== "choose" || event.defaultPrevented) return;
      event.preventDefault();
      const step = session.frame.sheet.factor * nudge(event);
      void session.command({ kind: "move-paths", paths: [...chosen], x: step * arrow[0], y: step * arrow[1] });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [session]);
}

export function usePaperPointer() {
  const session = useSheetSession();
  useNudge();
  const bind = useDrag(
    ({ event, tap, delta, movement, first, last, memo }) => {
      const pointer = event as PointerEvent;
      const carried = first ? onChosen(pointer) : (memo as boolean);
      if (first) tableState().set({ lit: null });
      if (tap && tableState().cutting) void cutAt(session, pointer);
      else if (tap) choose(pointer, session.frame);
      else if (carried) carry(session, session.frame, { movement, straight: pointer.shiftKey, last });
      else {
        const { view } = tableState();
        if (view) tableState().set({ view: panBy(view, ...delta) });
      }
      return carried;
    },
    { filterTaps: true, pointer: { buttons: [1, 4] } },
  );
  return {
    ...bind(),
    onDoubleClick: (event: React.MouseEvent) => {
      const path = tableState().chosen.at(-1);
      if (!path || !pathsAt(event).includes(path)) return;
      const { x, y } = sheetSpot(event);
      void session.command({ kind: "add-node", path, x, y });
    },
    onPointerMove: (event: React.PointerEvent) => {
      bind().onPointerMove?.(event);
      tableState().set({ pointer: sheetSpot(event) });
    },
    onPointerLeave: () => tableState().set({ pointer: null, lit: null }),
  };
}
