/** The drawing on a canvas. While only the view moves sideways, the last painting is moved along. */
import { useLayoutEffect, useRef } from "react";

import type { Frame } from "@/shared/api/frame";
import { paintGround, paintGroups, pictureAt } from "@/shared/draw/painter";

import { useShown } from "../sheet";
import { useHand } from "../state";
import { type Size, niceStep, type View } from "../view";

/** How far beyond the window the artwork is painted, px, so that a pan shows no bare edge. */
const MARGIN = 240;

interface Scene {
  frame: Frame;
  view: View;
  window: Size;
}

interface Aside {
  view: View;
  canvas: OffscreenCanvas;
}

export function Artwork({ view }: { view: View }) {
  const shown = useShown();
  const { window: size, marks } = useHand();
  const canvas = useRef<HTMLCanvasElement>(null);
  const cache = useRef<Aside | null>(null);
  const seen = useRef<Scene | null>(null);
  const ground = shown.head.sheet.ground_tone;

  useLayoutEffect(() => {
    const paint = () => {
      const last = seen.current;
      const onlyMoved =
        last && last.frame === shown && last.window === size && last.view.zoom === view.zoom && last.view !== view;
      seen.current = { frame: shown, view, window: size };
      if (!onlyMoved) cache.current = null;
      else if (!cache.current || !reaches(cache.current, view)) cache.current = paintAside(shown, view, size, paint);
      show(canvas.current!, { frame: shown, view, window: size }, cache.current, marks, paint);
      // Marked in the frame that shows it, for speed/.
      requestAnimationFrame(() => performance.mark("curlet-painted"));
    };
    // At once, so that it comes with the frame that is being made.
    paint();
  }, [shown, view, size, marks, ground]);

  return <canvas ref={canvas} className="absolute inset-0 h-full w-full" data-testid="artwork" />;
}

/** Whether a painting made for one view still covers the window in another. */
function reaches(aside: Aside, view: View): boolean {
  return Math.max(Math.abs(view.x - aside.view.x), Math.abs(view.y - aside.view.y)) <= MARGIN;
}

function paintAside(frame: Frame, view: View, window: Size, repaint: () => void): Aside {
  const ratio = devicePixelRatio;
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round((window.width + 2 * MARGIN) * ratio)),
    Math.max(1, Math.round((window.height + 2 * MARGIN) * ratio)),
  );
  const context = canvas.getContext("2d") as unknown as CanvasRenderingContext2D;
  const moved = { zoom: view.zoom, x: view.x + MARGIN, y: view.y + MARGIN };
  paintArtwork(context, { frame, view: moved, window }, repaint);
  return { view, canvas };
}

function paintArtwork(context: CanvasRenderingContext2D, { frame, view }: Scene, repaint: () => void) {
  const ratio = devicePixelRatio;
  const zoom = view.zoom * ratio;
  context.setTransform(zoom, 0, 0, zoom, view.x * ratio, view.y * ratio);
  paintGuides(context, frame, repaint);
  paintGroups(context, frame.head.as_drawn ?? [], frame, repaint);
  const runs = frame.head.runs.flatMap((run) => (run.seen && run.group ? run.group : []));
  paintGroups(context, runs, frame, repaint);
  paintGroups(context, frame.head.singles.flatMap((single) => single.group ?? []), frame, repaint);
}

function paintGuides(context: CanvasRenderingContext2D, frame: Frame, repaint: () => void) {
  for (const guide of frame.head.guides) {
    const image = guide.shown && pictureAt(guide.src, repaint);
    if (!image) continue;
    context.save();
    context.globalAlpha = 1 - guide.fade / 100;
    context.translate(guide.x, guide.y);
    context.rotate((guide.turn * Math.PI) / 180);
    context.drawImage(image, -guide.width / 2, -guide.height / 2, guide.width, guide.height);
    context.restore();
  }
}

function show(canvas: HTMLCanvasElement, scene: Scene, aside: Aside | null, marks: boolean, repaint: () => void) {
  const { view, window } = scene;
  const ratio = devicePixelRatio;
  const width = Math.max(1, Math.round(window.width * ratio));
  const height = Math.max(1, Math.round(window.height * ratio));
  if (canvas.width !== width || canvas.height !== height) Object.assign(canvas, { width, height });
  const context = canvas.getContext("2d", { alpha: false })!;
  const colours = getComputedStyle(canvas);
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.fillStyle = colours.getPropertyValue("--paper");
  context.fillRect(0, 0, window.width, window.height);
  const cloth = scene.frame.head.sheet.ground_paint;
  if (cloth) {
    const zoom = view.zoom * ratio;
    context.setTransform(zoom, 0, 0, zoom, view.x * ratio, view.y * ratio);
    paintGround(context, cloth);
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
  }
  if (marks) paintPaper(context, view, scene.frame, colours);
  if (!aside) return paintArtwork(context, scene, repaint);
  const shift = { x: view.x - aside.view.x - MARGIN, y: view.y - aside.view.y - MARGIN };
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.drawImage(aside.canvas, Math.round(shift.x * ratio), Math.round(shift.y * ratio));
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
