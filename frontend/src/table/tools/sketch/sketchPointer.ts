/** The pointer with the Sketch tool: a line drawn by mouse, pen or keys. The server makes a path of it. */
import { useEffect, useRef } from "react";

import { useSheetSession, useFrame } from "../../sheet";
import { tableState } from "../../state";
import { onSheet, type Spot } from "../../view";
import { sheetSpot } from "../../paper/paperPointer";
import { wasPinched } from "../../paper/twoFingers";
import { ARROWS } from "../arrows";

/** How near to one another the ends must be, px, to close the line. */
const MEETING = 9;
/** What a mouse reports: the middle of a pen's pressure. */
const PLAIN = 0.5;

type Point = [number, number, number];

export function useEndSketch() {
  const session = useSheetSession();
  const frame = useFrame("paths");
  return async () => {
    const { stroke, steadiness, within, view, chosen } = tableState();
    tableState().set({ stroke: [] });
    if (stroke.length < 2) return;
    const known = new Set(frame.paths.map((path) => path.id));
    const group = frame.paths.find((path) => path.id === chosen.at(-1))?.group ?? null;
    const meeting = MEETING / view!.zoom;
    const refusal = await session.command({ kind: "sketch-path", points: stroke, steadiness, within, meeting, group });
    if (!refusal) session.choose((path) => !known.has(path.id));
  };
}

function pointOf(event: PointerEvent): Point {
  const at = sheetSpot(event);
  const felt = event.pointerType === "pen" ? event.pressure : PLAIN;
  return [at.x, at.y, felt];
}

export function useSketchPointer() {
  const end = useEndSketch();
  const down = useRef(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (tableState().tool === "sketch" && onSheet(event.target) && key(event, end)) event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  return {
    onPointerDown: (event: React.PointerEvent) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      down.current = true;
      tableState().set({ stroke: [pointOf(event.nativeEvent)] });
    },
    onPointerMove: (event: React.PointerEvent) => {
      tableState().set({ pointer: sheetSpot(event) });
      if (!down.current) return;
      // A pen tells more often than the page is painted.
      const each = event.nativeEvent.getCoalescedEvents?.() ?? [];
      const points = (each.length ? each : [event.nativeEvent]).map(pointOf);
      tableState().set({ stroke: [...tableState().stroke, ...points] });
    },
    onPointerUp: () => {
      if (!down.current) return;
      down.current = false;
      if (wasPinched()) tableState().set({ stroke: [] });
      else void end();
    },
    onPointerCancel: () => {
      down.current = false;
      tableState().set({ stroke: [] });
    },
    onPointerLeave: () => tableState().set({ pointer: null }),
  };
}

/** Sketching by keys: Space puts the pen down, arrows draw (Shift for ten times as far), Enter ends. */
function key(event: KeyboardEvent, end: () => void): boolean {
  const { stroke, pointer, view, window } = tableState();
  const here: Spot = pointer ?? {
    x: (window.width / 2 - view!.x) / view!.zoom,
    y: (window.height / 2 - view!.y) / view!.zoom,
  };
  const arrow = ARROWS[event.key];
  if (arrow) {
    const step = event.shiftKey ? 10 : 1;
    const to = { x: here.x + step * arrow[0], y: here.y + step * arrow[1] };
    tableState().set({ pointer: to, stroke: stroke.length ? [...stroke, [to.x, to.y, PLAIN]] : stroke });
  } else if (event.key === " " && !stroke.length)
    tableState().set({ pointer: here, stroke: [[here.x, here.y, PLAIN]] });
  else if ((event.key === " " || event.key === "Enter") && stroke.length) end();
  else if (event.key === "Escape" && stroke.length) tableState().set({ stroke: [] });
  else return false;
  return true;
}
