/** The pointer on the sheet: a press on a path chooses it, on nothing lets go; a drag from a path moves it, on bare
 * paper it draws a box that chooses. */
import { useDrag } from "@use-gesture/react";
import { useEffect } from "react";

import { api } from "@/shared/api/client";
import type { SheetFrame } from "@/shared/api/types";

import { type SheetSession, useSheetSession } from "../sheet";
import { choosePaths, tableState } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
import { onSheet, PAPER, panBy, type Spot, toSheet } from "../view";
import { wasPinched } from "./twoFingers";

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

type Pressed = Placed & { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean };

const adds = (event: Pressed) => event.shiftKey || event.ctrlKey || event.metaKey;

/** Choose the path under the pointer; pressing again takes the one beneath it; with Shift or Ctrl it is added, or
 * taken from what is chosen. */
function choose(event: Pressed, frame: SheetFrame) {
  const { chosen } = tableState();
  const under = pathsAt(event);
  const now = under.indexOf(chosen.at(-1) ?? "");
  const next = under[(now + 1) % under.length];
  if (!next) return adds(event) ? undefined : choosePaths([]);
  if (!adds(event)) return choosePaths(wholeText(frame, next));
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

/** What a drag from here moves: what is chosen, or the path that it begins on; nothing on bare paper. */
function grasped(event: Pressed, frame: SheetFrame): boolean {
  const under = pathsAt(event);
  if (!under.length) return false;
  if (!under.some((id) => tableState().chosen.includes(id))) choosePaths(wholeText(frame, under[0]!));
  return true;
}

/** Choose what lies wholly within a box, px in the window. */
function chooseIn([from, to]: readonly [Spot, Spot], frame: SheetFrame, more: boolean) {
  const view = tableState().view!;
  const [a, b] = [toSheet(view, from), toSheet(view, to)];
  const within = (low: number, high: number, one: number, other: number) =>
    Math.min(one, other) <= low && high <= Math.max(one, other);
  const lines = document.querySelectorAll<SVGPathElement>(`#${PAPER} [data-path]`);
  const found = [...lines].flatMap((line) => {
    const { x, y, width, height } = line.getBBox();
    return within(x, x + width, a.x, b.x) && within(y, y + height, a.y, b.y)
      ? wholeText(frame, line.getAttribute("data-path")!)
      : [];
  });
  choosePaths([...new Set([...(more ? tableState().chosen : []), ...found])]);
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
  else session.drag({ kind: "move-paths", paths, x, y });
}

async function cutAt(session: SheetSession, event: Placed) {
  const path = tableState().chosen.at(-1);
  tableState().set({ cutting: false });
  if (!path || !pathsAt(event).includes(path)) return;
  const { x, y } = sheetSpot(event);
  await session.command({ kind: "cut-path", path, x, y });
}

/** Give a shade the colour at a place. */
async function pickAt(session: SheetSession, shade: string, event: Placed) {
  tableState().set({ picking: null });
  const { x, y } = sheetSpot(event);
  const { colour } = await api.colourAt(session.id, x, y);
  await session.command({ kind: "set-shade", shade, colour });
}

const placed = ([clientX, clientY]: [number, number], { shiftKey, ctrlKey, metaKey }: Pressed): Pressed => ({
  clientX,
  clientY,
  shiftKey,
  ctrlKey,
  metaKey,
});

/** How far an arrow pans, px. */
const PAN = 60;

/** Arrow keys on the sheet move what is chosen: 1 mm on the garment, with Shift 10, with Ctrl a tenth; with nothing
 * chosen they pan. */
function useArrows() {
  const session = useSheetSession();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const arrow = ARROWS[event.key];
      const { chosen, tool, view } = tableState();
      if (!arrow || !onSheet(event.target) || tool !== "choose" || event.defaultPrevented) return;
      event.preventDefault();
      if (!chosen.length) {
        if (view) tableState().set({ view: panBy(view, -PAN * arrow[0], -PAN * arrow[1]) });
        return;
      }
      const step = session.frame.sheet.factor * nudge(event);
      void session.command({ kind: "move-paths", paths: [...chosen], x: step * arrow[0], y: step * arrow[1] });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [session]);
}

export function usePaperPointer() {
  const session = useSheetSession();
  useArrows();
  const bind = useDrag(
    ({ event, tap, xy, initial, delta, movement, first, last, canceled, memo }) => {
      const pointer = event as PointerEvent;
      if (first) tableState().set({ lit: null });
      if (wasPinched()) return memo;
      if (tap) {
        const { picking, cutting } = tableState();
        if (picking) void pickAt(session, picking, pointer);
        else if (cutting) void cutAt(session, pointer);
        else choose(pointer, session.frame);
        return memo;
      }
      // The middle button pans.
      const begun =
        memo ?? (pointer.buttons === 4 ? "pan" : grasped(placed(initial, pointer), session.frame) ? "carry" : "box");
      if (begun === "pan") {
        const { view } = tableState();
        if (view) tableState().set({ view: panBy(view, ...delta) });
      } else if (begun === "carry") {
        carry(session, session.frame, { movement, straight: pointer.shiftKey, last });
      } else {
        const paper = document.getElementById(PAPER)!;
        const box = [spotIn(paper, placed(initial, pointer)), spotIn(paper, placed(xy, pointer))] as const;
        tableState().set({ box: last || canceled ? null : box });
        if (last && !canceled) chooseIn(box, session.frame, adds(pointer));
      }
      return begun;
    },
    { filterTaps: true, pointer: { buttons: [1, 4], keys: false } },
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
