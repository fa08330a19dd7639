/** View arithmetic: px on screen against mm on the sheet. Nothing of the job is computed here. */

import { PAPER } from "@/shared/paper";

export { PAPER };

/** Whether the sheet has the focus: nothing else has. */
export const onSheet = (target: EventTarget | null) =>
  target === document.body || (target instanceof Element && target.closest(`#${PAPER}`) !== null);

export interface View {
  /** px per sheet mm. */
  zoom: number;
  /** Where the sheet's corner stands in the window, px. */
  x: number;
  y: number;
}

export interface Spot {
  x: number;
  y: number;
}

export interface Size {
  width: number;
  height: number;
}

const MIN = 0.05;
const MAX = 400;

/** CSS px per mm: 96 px to the inch. */
export const TRUE_SIZE = 96 / 25.4;

export function toSheet(view: View, at: Spot): Spot {
  return { x: (at.x - view.x) / view.zoom, y: (at.y - view.y) / view.zoom };
}

export function toScreen(view: View, at: Spot): Spot {
  return { x: at.x * view.zoom + view.x, y: at.y * view.zoom + view.y };
}

/** Zoom by a factor, keeping the point under the pointer where it is. */
export function zoomAbout(view: View, at: Spot, factor: number): View {
  const zoom = Math.min(MAX, Math.max(MIN, view.zoom * factor));
  const k = zoom / view.zoom;
  return { zoom, x: at.x - (at.x - view.x) * k, y: at.y - (at.y - view.y) * k };
}

export function panBy(view: View, x: number, y: number): View {
  return { ...view, x: view.x + x, y: view.y + y };
}

/** Whether a place on the sheet is to be seen in the window, clear of its edges. */
export function inSight(view: View, window: Size, at: Spot, margin = 60): boolean {
  const { x, y } = toScreen(view, at);
  return x > margin && y > margin && x < window.width - margin && y < window.height - margin;
}

/** The view moved so that a place on the sheet is in the middle of the window. */
export function centred(view: View, window: Size, at: Spot): View {
  const { x, y } = toScreen(view, at);
  return panBy(view, window.width / 2 - x, window.height / 2 - y);
}

/** The whole sheet in the window, with a margin. */
export function fit(sheet: Size, window: Size, margin = 28): View {
  const zoom = Math.min(
    Math.max(window.width - 2 * margin, 40) / sheet.width,
    Math.max(window.height - 2 * margin, 40) / sheet.height,
  );
  return {
    zoom,
    x: (window.width - sheet.width * zoom) / 2,
    y: (window.height - sheet.height * zoom) / 2,
  };
}

/** A step of 1, 2 or 5 times a power of ten, about `px` wide at `perUnit` px a unit. */
export function niceStep(perUnit: number, px: number): number {
  const raw = px / perUnit;
  const power = 10 ** Math.floor(Math.log10(raw));
  const lead = raw / power;
  return (lead <= 1 ? 1 : lead <= 2 ? 2 : lead <= 5 ? 5 : 10) * power;
}
