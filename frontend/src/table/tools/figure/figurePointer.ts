/** The pointer with the Figure tool: the figure follows the pointer and is put where it is pressed. */
import type { Intent } from "@/shared/api/types";

import { landing } from "../../paper/snap";
import { sheetSpot } from "../../paper/paperPointer";
import { type SheetSession, useSheetSession } from "../../sheet";
import { tableState } from "../../state";
import type { Spot } from "../../view";

export function drawFigure(at: Spot | undefined): Intent {
  const { figure, entered } = tableState();
  return { kind: "draw-figure", figure, entered: entered[figure] ?? {}, ...(at && { x: at.x, y: at.y }) };
}

/** Draw it, and choose it. */
export async function keepFigure(session: SheetSession, at: Spot | undefined) {
  // What is shown of it meanwhile is no path that is known.
  const known = new Set(session.kept().map((path) => path.id));
  const refusal = await session.command(drawFigure(at));
  if (!refusal) session.choose((path) => !known.has(path.id));
}

/** Where the middle of the window lies on the sheet, mm. */
export function middle(): Spot | undefined {
  const { view, window } = tableState();
  if (!view) return undefined;
  return { x: (window.width / 2 - view.x) / view.zoom, y: (window.height / 2 - view.y) / view.zoom };
}

export function useFigurePointer() {
  const session = useSheetSession();
  const land = (event: React.PointerEvent) => landing(sheetSpot(event), session.frame);
  return {
    onPointerDown: (event: React.PointerEvent) => {
      if (event.button === 0) void keepFigure(session, land(event));
    },
    onPointerMove: (event: React.PointerEvent) => {
      const at = land(event);
      tableState().set({ pointer: at, on: at.on });
      if (!event.buttons) session.preview(drawFigure(at));
    },
    onPointerLeave: () => {
      tableState().set({ pointer: null, on: null });
      session.dropPreviews(true);
    },
  };
}
