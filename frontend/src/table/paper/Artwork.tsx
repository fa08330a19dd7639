/** The drawing on a canvas. While only the view moves, the last painting is moved along. A full sheet is painted
 * aside, so that the first move waits for nothing, and enlarged while the view zooms; at rest it is painted anew. */
import { useEffect, useLayoutEffect, useRef, useState } from "react";

import { slotsOf } from "@/shared/api/frame";
import { mark } from "@/shared/mark";
import type { GroupShown, GuideShown, PathShown, SheetFrame } from "@/shared/api/types";
import { paintBackground, paintGroups, pictureOf } from "@/shared/draw/painter";

import { useTheme } from "@/shared/theme";

import { useShown } from "../sheet";
import { tableState, useTableState } from "../state";
import { type Size, niceStep, type View } from "../view";

/** How far beyond the window the artwork is painted, px, so that a pan shows no bare edge. */
const MARGIN = 240;
/** A sheet with more repeats than this, or more drawn shapes, is not painted anew at every step of a zoom. */
const MANY = 4_000;
/** How much a painting is made smaller or larger before another is. */
const [MIN, MAX] = [0.6, 4];
/** How long a view rests before a full sheet is painted sharp again, ms. */
const REST = 140;

interface Scene {
  frame: SheetFrame;
  view: View;
  window: Size;
  /** The paths that are shown to be chosen, and in what colour; none without marks. */
  lanes: readonly string[];
  colours: Colours;
}

interface Aside {
  view: View;
  picture: ImageBitmap;
}

export function Artwork({ view }: { view: View }) {
  const shown = useShown((frame) => frame);
  const size = useTableState((state) => state.window);
  const marks = useTableState((state) => state.marks);
  const canvas = useRef<HTMLCanvasElement>(null);
  const cache = useRef<Aside | null>(null);
  const seen = useRef<Scene | null>(null);
  const background = shown.sheet.background_tone;
  const theme = useTheme((state) => state.theme);
  const chosen = useTableState((state) => state.chosen);
  const lanes = marks ? chosen : NONE;
  const rested = useRested(view);

  useLayoutEffect(() => {
    const colours = coloursOf(canvas.current!, `${theme} ${background}`);
    const scene = { frame: shown, view, window: size, lanes, colours };
    // A picture that has come in the meantime is on no painting yet.
    const repaint = () => paint(true);
    const paint = (anew = false) => {
      mark("curlet-painting");
      cache.current = anew ? null : kept(seen.current, scene, cache.current, rested, repaint);
      seen.current = scene;
      show(canvas.current!, scene, cache.current, marks, repaint);
      // Marked in the frame that shows it, for speed/.
      mark("curlet-drawn");
      requestAnimationFrame(() => mark("curlet-painted"));
    };
    // At once, so that it comes with the frame that is being made.
    paint();
  }, [shown, view, size, marks, lanes, background, theme, rested]);

  return (
    <canvas
      ref={canvas}
      data-background={background}
      className="absolute inset-0 h-full w-full"
      data-testid="artwork"
    />
  );
}

/** Whether the view has stood still for a while. */
function useRested(view: View): boolean {
  const [still, setStill] = useState<View | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setStill(view), REST);
    return () => clearTimeout(timer);
  }, [view]);
  return still === view;
}

/** The painting aside that a scene can be shown by; null where it is to be painted anew. */
function kept(last: Scene | null, now: Scene, aside: Aside | null, rested: boolean, repaint: () => void) {
  // What a hand drags is painted at once: it is another with the next move.
  const anew = () => (isFull(now.frame) && !tableState().preview ? paintAside(now, repaint) : null);
  if (!last || (["frame", "window", "lanes", "colours"] as const).some((part) => last[part] !== now[part]))
    return anew();
  const larger = now.view.zoom / (aside ?? last).view.zoom;
  if (larger !== 1) {
    if (rested || !isFull(now.frame)) return anew();
    if (larger < MIN || larger > MAX) return paintAside(now, repaint);
    return aside ?? paintAside({ ...now, view: last.view }, repaint);
  }
  if (last.view === now.view) return aside;
  return aside && reaches(aside, now.view) ? aside : paintAside(now, repaint);
}

const weights = new WeakMap<SheetFrame, boolean>();

function isFull(frame: SheetFrame): boolean {
  let full = weights.get(frame);
  if (full === undefined) {
    const repeats = frame.runs.reduce((sum, run) => sum + (slotsOf(run)?.length ?? 0) / 2, 0);
    full = repeats + frame.as_drawn.length > MANY;
    weights.set(frame, full);
  }
  return full;
}

/** Whether a painting made for one view still covers the window in another. */
function reaches(aside: Aside, view: View): boolean {
  return Math.max(Math.abs(view.x - aside.view.x), Math.abs(view.y - aside.view.y)) <= MARGIN;
}

function paintAside(scene: Scene, repaint: () => void): Aside {
  const { view, window } = scene;
  const ratio = devicePixelRatio;
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round((window.width + 2 * MARGIN) * ratio)),
    Math.max(1, Math.round((window.height + 2 * MARGIN) * ratio)),
  );
  const context = canvas.getContext("2d") as unknown as CanvasRenderingContext2D;
  const moved = { zoom: view.zoom, x: view.x + MARGIN, y: view.y + MARGIN };
  paintArtwork(context, { ...scene, view: moved }, repaint);
  // As a picture it is painted once; a canvas may be painted again each time it is drawn from.
  return { view, picture: canvas.transferToImageBitmap() };
}

function paintArtwork(context: CanvasRenderingContext2D, scene: Scene, repaint: () => void) {
  const { view } = scene;
  const ratio = devicePixelRatio;
  const zoom = view.zoom * ratio;
  context.setTransform(zoom, 0, 0, zoom, view.x * ratio, view.y * ratio);
  const lanes = new Set(scene.lanes);
  for (const item of inOrder(scene.frame)) {
    if (item.path !== undefined && lanes.delete(item.path)) paintLane(context, scene, item.path);
    if (item.guide) paintGuide(context, item.guide, repaint);
    else paintGroups(context, [item.group], repaint);
  }
  // A path with nothing on it has its lane over everything.
  for (const path of lanes) paintLane(context, scene, path);
}

type Painted = { position: number; path?: string } & (
  { guide: GuideShown; group?: undefined } | { group: GroupShown; guide?: undefined }
);

const orders = new WeakMap<SheetFrame, Painted[]>();

/** What is painted, bottom to top; a run with its path, which has its lane under it. */
function inOrder(frame: SheetFrame): Painted[] {
  let order = orders.get(frame);
  if (order) return order;
  order = [
    ...frame.guides.flatMap((guide) => (guide.shown ? { position: guide.position, guide } : [])),
    ...frame.as_drawn.map((group) => ({ position: group.position, group })),
    ...frame.runs.flatMap((run) =>
      run.seen && run.group ? { position: run.position, path: run.path, group: run.group } : [],
    ),
    ...frame.singles.flatMap(({ position, group }) => (group ? { position, group } : [])),
  ].sort((a, b) => a.position - b.position);
  orders.set(frame, order);
  return order;
}

/** How wide the lane of a chosen path is, px; of a small one, such as a letter, a share of its length. */
const LANE = 13;
const SHARE = 0.1;

/** What is chosen lies on a tinted lane, under its stitches and over the cloth. */
function paintLane(context: CanvasRenderingContext2D, { frame, view, colours }: Scene, id: string) {
  const path = frame.paths.find((item) => item.id === id);
  if (!path || path.hidden) return;
  context.save();
  context.strokeStyle = colours.lane;
  context.lineWidth = Math.min(LANE / view.zoom, SHARE * path.length.paper);
  context.lineJoin = context.lineCap = "round";
  context.setLineDash([]);
  context.stroke(lineOf(path));
  context.restore();
}

const lines = new WeakMap<PathShown, Path2D>();

function lineOf(path: PathShown): Path2D {
  let line = lines.get(path);
  if (!line) lines.set(path, (line = new Path2D(path.d)));
  return line;
}

function paintGuide(context: CanvasRenderingContext2D, guide: GuideShown, repaint: () => void) {
  const image = pictureOf(guide, repaint);
  if (!image) return;
  context.save();
  if (guide.clip) context.clip(new Path2D(guide.clip));
  context.globalAlpha = 1 - guide.fade / 100;
  context.translate(guide.x, guide.y);
  context.rotate((guide.turn * Math.PI) / 180);
  context.drawImage(image, -guide.width / 2, -guide.height / 2, guide.width, guide.height);
  context.restore();
}

interface Colours {
  paper: string;
  mark: string;
  lane: string;
}

const NONE: readonly string[] = [];

const colours = new Map<string, Colours>();

/** The page's colours, asked for once for each theme and background: the answer takes a look through all styles. */
function coloursOf(canvas: HTMLCanvasElement, key: string): Colours {
  let known = colours.get(key);
  if (!known) {
    const style = getComputedStyle(canvas);
    const of = (name: string) => style.getPropertyValue(name);
    known = { paper: of("--paper"), mark: of("--paper-mark"), lane: of("--lane") };
    colours.set(key, known);
  }
  return known;
}

function show(canvas: HTMLCanvasElement, scene: Scene, aside: Aside | null, marks: boolean, repaint: () => void) {
  const { view, window, colours } = scene;
  const ratio = devicePixelRatio;
  const width = Math.max(1, Math.round(window.width * ratio));
  const height = Math.max(1, Math.round(window.height * ratio));
  if (canvas.width !== width || canvas.height !== height) Object.assign(canvas, { width, height });
  const context = canvas.getContext("2d", { alpha: false })!;
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.fillStyle = colours.paper;
  context.fillRect(0, 0, window.width, window.height);
  const cloth = scene.frame.sheet.background_paint;
  if (cloth) {
    const zoom = view.zoom * ratio;
    context.setTransform(zoom, 0, 0, zoom, view.x * ratio, view.y * ratio);
    paintBackground(context, cloth);
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
  }
  paintEdge(context, view, scene.frame, colours);
  if (marks) paintPaper(context, view, scene.frame, colours);
  if (!aside) return paintArtwork(context, scene, repaint);
  const larger = view.zoom / aside.view.zoom;
  const left = (view.x - (aside.view.x + MARGIN) * larger) * ratio;
  const top = (view.y - (aside.view.y + MARGIN) * larger) * ratio;
  context.setTransform(larger, 0, 0, larger, Math.round(left), Math.round(top));
  context.drawImage(aside.picture, 0, 0);
}

/** The sheet's edge, whether marks are shown or not. */
function paintEdge(context: CanvasRenderingContext2D, view: View, frame: SheetFrame, colours: Colours) {
  const { width, height } = frame.sheet;
  context.strokeStyle = colours.mark;
  context.lineWidth = 1;
  context.strokeRect(Math.round(view.x) - 0.5, Math.round(view.y) - 0.5, width * view.zoom + 1, height * view.zoom + 1);
}

/** Spot-and-cross paper over the sheet: a cross each step, a spot midway. */
function paintPaper(context: CanvasRenderingContext2D, view: View, frame: SheetFrame, colours: Colours) {
  const { width, height, factor } = frame.sheet;
  const right = view.x + width * view.zoom;
  const foot = view.y + height * view.zoom;
  context.strokeStyle = context.fillStyle = colours.mark;
  context.lineWidth = 1;
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
