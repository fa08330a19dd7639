/** The pointer with the Figure tool: the figure follows the pointer, is put where it is pressed, or dragged to size. */
import { useRef } from "react";

import type { Intent } from "@/shared/api/types";

import { landing } from "../../paper/snap";
import { wasPinched } from "../../paper/twoFingers";
import { sheetSpot } from "../../paper/paperPointer";
import { type SheetSession, useSheetSession } from "../../sheet";
import { tableState } from "../../state";
import type { Spot } from "../../view";

export function drawFigure(at: Spot | undefined): Intent {
  const { figure, entered } = tableState();
  return { kind: "draw-figure", figure, entered: entered[figure] ?? {}, ...(at && { x: at.x, y: at.y }) };
}

/** Draw it, and choose it. */
export async function keepFigure(session: SheetSession, figure: Intent) {
  // What is shown of it meanwhile is no path that is known.
  const known = new Set(session.kept().map((path) => path.id));
  const refusal = await session.command(figure);
  if (!refusal) session.choose((path) => !known.has(path.id));
}

/** Where the middle of the window lies on the sheet, mm. */
export function middle(): Spot | undefined {
  const { view, window } = tableState();
  if (!view) return undefined;
  return { x: (window.width / 2 - view.x) / view.zoom, y: (window.height / 2 - view.y) / view.zoom };
}

/** How far a press must move, px, to be a drag that sizes. */
const DRAG = 5;

/** Pressed, a figure is put about the place with its numbers; dragged, it fills the box, with Shift as wide as high. */
export function useFigurePointer() {
  const session = useSheetSession();
  const from = useRef<{ at: Spot; x: number; y: number } | null>(null);
  const land = (event: React.PointerEvent) => landing(sheetSpot(event), session.frame);
  const sized = (event: React.PointerEvent): Intent => {
    const { at } = from.current!;
    const to = land(event);
    return { ...drawFigure(at), to: event.shiftKey ? square(at, to) : [to.x, to.y] } as Intent;
  };
  const dragged = (event: React.PointerEvent) =>
    Math.hypot(event.clientX - from.current!.x, event.clientY - from.current!.y) > DRAG;
  return {
    onPointerDown: (event: React.PointerEvent) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      from.current = { at: land(event), x: event.clientX, y: event.clientY };
    },
    onPointerMove: (event: React.PointerEvent) => {
      const at = land(event);
      tableState().set({ pointer: at, on: at.on });
      if (from.current && dragged(event)) session.drag(sized(event));
      else if (!event.buttons) session.preview(drawFigure(at));
    },
    onPointerUp: (event: React.PointerEvent) => {
      if (!from.current) return;
      if (!wasPinched()) void keepFigure(session, dragged(event) ? sized(event) : drawFigure(from.current.at));
      from.current = null;
    },
    onPointerCancel: () => {
      from.current = null;
      session.dropPreviews(true);
    },
    onPointerLeave: () => {
      tableState().set({ pointer: null, on: null });
      session.dropPreviews(true);
    },
  };
}

/** The corner of a square as large as the longer side of the box from one place to another. */
function square(from: Spot, to: Spot): [number, number] {
  const side = Math.max(Math.abs(to.x - from.x), Math.abs(to.y - from.y));
  return [from.x + side * (to.x < from.x ? -1 : 1), from.y + side * (to.y < from.y ? -1 : 1)];
}
