/** The hand with the Figure tool: the figure follows the pointer and is put where it is pressed. */
import type { Intent } from "@/shared/api/types";

import { landing } from "../../paper/snap";
import { sheetSpot } from "../../paper/paperHand";
import { type Desk, useDesk, useShown } from "../../sheet";
import { hand } from "../../state";
import type { Spot } from "../../view";

export function drawFigure(at: Spot | undefined): Intent {
  const { figure, typed } = hand();
  return { kind: "draw-figure", figure, typed: typed[figure] ?? {}, ...(at && { x: at.x, y: at.y }) };
}

/** Draw it, and choose it. */
export async function keepFigure(desk: Desk, at: Spot | undefined) {
  // What is shown of it meanwhile is no path that is known.
  const known = new Set(desk.kept().map((path) => path.id));
  const refusal = await desk.command(drawFigure(at));
  if (!refusal) desk.choose((path) => !known.has(path.id));
}

/** Where the middle of the window lies on the sheet, mm. */
export function middle(): Spot | undefined {
  const { view, window } = hand();
  if (!view) return undefined;
  return { x: (window.width / 2 - view.x) / view.zoom, y: (window.height / 2 - view.y) / view.zoom };
}

export function useFigureHand() {
  const desk = useDesk();
  const { head } = useShown();
  const land = (event: React.PointerEvent) => landing(sheetSpot(event), head);
  return {
    onPointerDown: (event: React.PointerEvent) => {
      if (event.button === 0) void keepFigure(desk, land(event));
    },
    onPointerMove: (event: React.PointerEvent) => {
      const at = land(event);
      hand().set({ pointer: at, on: at.on });
      if (!event.buttons) desk.preview(drawFigure(at));
    },
    onPointerLeave: () => {
      hand().set({ pointer: null, on: null });
      desk.dropPreviews(true);
    },
  };
}
