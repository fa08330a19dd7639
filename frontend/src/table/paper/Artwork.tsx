/** The drawing on a canvas. While only the view moves sideways, the last painting is moved along. */
import { useEffect, useRef } from "react";

import type { Frame } from "@/shared/api/frame";
import { paintGroups } from "@/shared/draw/painter";

import { useShown } from "../sheet";
import { useHand } from "../state";
import { type Size, niceStep, type View } from "../view";

/** How far beyond the window the artwork is painted, px, so that a pan shows no bare edge. */
const MARGIN = 240;
const SETTLE_MS = 90;

interface Painted {
  frame: Frame;
  view: View;
  window: Size;
  canvas: OffscreenCanvas;
}

export function Artwork({ view }: { view: View }) {
  const shown = useShown();
  const { window: size, marks } = useHand();
  const canvas = useRef<HTMLCanvasElement>(null);
  const cache = useRef<Painted | null>(null);
  const ground = shown.head.sheet.ground;

  useEffect(() => {
    let settle = 0;
    const paint = (fresh: boolean) => {
      const last = cache.current;
      const moved =
        !fresh && last && last.frame === shown && last.view.zoom === view.zoom && last.window === size;
      if (!moved) cache.current = paintArtwork(shown, view, size, () => paint(true));
      const at = cache.current!.view;
      const shift = { x: view.x - at.x, y: view.y - at.y };
      show(canvas.current!, cache.current!, view, size, shift, marks, shown);
      const far = Math.max(Math.abs(shift.x), Math.abs(shift.y)) > 0;
      if (moved && far) settle = setTimeout(() => paint(true), SETTLE_MS) as unknown as number;
      performance.mark("curlet-painted");
    };
    const wait = requestAnimationFrame(() => paint(false));
    return () => {
      cancelAnimationFrame(wait);
      clearTimeout(settle);
    };
  }, [shown, view, size, marks, ground]);

  return <canvas ref={canvas} className="absolute inset-0 h-full w-full" data-testid="artwork" />;
}

function paintArtwork(frame: Frame, view: View, window: Size, repaint: () => void): Painted {
  const ratio = devicePixelRatio;
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round((window.width + 2 * MARGIN) * ratio)),
    Math.max(1, Math.round((window.height + 2 * MARGIN) * ratio)),
  );
  const context = canvas.getContext("2d") as unknown as CanvasRenderingContext2D;
  const zoom = view.zoom * ratio;
  context.setTransform(zoom, 0, 0, zoom, (view.x + MARGIN) * ratio, (view.y + MARGIN) * ratio);
  paintGroups(context, frame.head.as_drawn ?? [], frame, repaint);
  const runs = frame.head.runs.flatMap((run) => (run.shown && run.group ? run.group : []));
  paintGroups(context, runs, frame, repaint);
  return { frame, view, window, canvas };
}

function show(
  canvas: HTMLCanvasElement,
  painted: Painted,
  view: View,
  size: Size,
  shift: { x: number; y: number },
  marks: boolean,
  frame: Frame,
) {
  const ratio = devicePixelRatio;
  const width = Math.max(1, Math.round(size.width * ratio));
  const height = Math.max(1, Math.round(size.height * ratio));
  if (canvas.width !== width || canvas.height !== height) Object.assign(canvas, { width, height });
  const context = canvas.getContext("2d")!;
  const colours = getComputedStyle(canvas);
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.fillStyle = colours.getPropertyValue("--paper");
  context.fillRect(0, 0, size.width, size.height);
  if (marks) paintPaper(context, view, frame, colours);
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.drawImage(painted.canvas, Math.round((shift.x - MARGIN) * ratio), Math.round((shift.y - MARGIN) * ratio));
}

/** Spot-and-cross paper over the sheet: a cross each step, a spot midway; and the sheet's edge. */
function paintPaper(
  context: CanvasRenderingContext2D,
  view: View,
  frame: Frame,
  colours: CSSStyleDeclaration,
) {
  const { width, height, factor } = frame.head.sheet;
  const right = view.x + width * view.zoom;
  const foot = view.y + height * view.zoom;
  context.strokeStyle = context.fillStyle = colours.getPropertyValue("--paper-mark");
  context.lineWidth = 1;
  context.strokeRect(Math.round(view.x) - 0.5, Math.round(view.y) - 0.5, right - view.x + 1, foot - view.y + 1);
  const step = niceStep(view.zoom * factor, 46) * view.zoom * factor;
  context.beginPath();
  for (let y = view.y + step / 2, row = 0; y < foot - 2; y += step / 2, row++) {
    if (y < 0 || y > context.canvas.height) continue;
    for (let x = view.x + step / 2, column = 0; x < right - 2; x += step / 2, column++) {
      if (x < 0 || x > context.canvas.width) continue;
      if (row % 2 && column % 2) {
        context.moveTo(x - 2.5, y);
        context.lineTo(x + 2.5, y);
        context.moveTo(x, y - 2.5);
        context.lineTo(x, y + 2.5);
      } else if (row % 2 === 0 && column % 2 === 0) context.fillRect(x - 0.75, y - 0.75, 1.5, 1.5);
    }
  }
  context.stroke();
}
