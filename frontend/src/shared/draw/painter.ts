/** Painting the drawing on a 2D canvas whose units are sheet mm. */
import { placementsOf, pointsOf } from "@/shared/api/frame";
import type { GroupShown, OutlinePoints, PictureShown, ShapeShown, StampsShown } from "@/shared/api/types";

type Item = GroupShown["items"][number];
type Outline = ShapeShown["outline"];
type Paint = NonNullable<ShapeShown["fill"]>;
type TilingPaint = Extract<Paint, { type: "tiling" }>;

const CAPS = { round: "round", flat: "butt", square: "square" } as const;
const JOINS = { round: "round", mitre: "miter", bevel: "bevel" } as const;

/** Outlines made once: of a shape, and of all its placements joined. */
const outlines = new WeakMap<ShapeShown, Path2D>();
const joined = new WeakMap<StampsShown, Map<string, Path2D>>();
/** Pictures by what shows them, and by their address for as long as anything shows them. */
const pictures = new WeakMap<object, HTMLImageElement>();
const addresses = new Map<string, WeakRef<HTMLImageElement>>();
const unused = new FinalizationRegistry<string>((src) => {
  if (!addresses.get(src)?.deref()) addresses.delete(src);
});

/** The picture of something that has one; it calls for a repaint once it is there. */
export function pictureOf(item: { src: string }, repaint: () => void): HTMLImageElement | null {
  const image = pictures.get(item) ?? addresses.get(item.src)?.deref() ?? loaded(item.src);
  pictures.set(item, image);
  if (!image.complete) image.addEventListener("load", repaint, { once: true });
  return image.complete && image.naturalWidth ? image : null;
}

function loaded(src: string): HTMLImageElement {
  const image = new Image();
  addresses.set(src, new WeakRef(image));
  unused.register(image, src);
  image.src = src;
  return image;
}

/** Fill all that is seen with a paint whose units are sheet mm. */
export function paintBackground(context: CanvasRenderingContext2D, paint: Paint) {
  context.fillStyle = style(context, paint);
  const { width, height } = context.canvas;
  const back = context.getTransform().inverse();
  const [a, b] = [back.transformPoint({ x: 0, y: 0 }), back.transformPoint({ x: width, y: height })];
  context.fillRect(a.x, a.y, b.x - a.x, b.y - a.y);
}

/** Shapes as a group of their own. */
export const laid = (shapes: ShapeShown[]): GroupShown => ({
  type: "group",
  id: "",
  opacity: 1,
  clip: null,
  items: [{ type: "laid", shapes }],
});

export function paintGroups(context: CanvasRenderingContext2D, groups: readonly GroupShown[], repaint: () => void) {
  for (const group of groups) paintGroup(context, group, repaint);
}

function paintGroup(context: CanvasRenderingContext2D, group: GroupShown, repaint: () => void) {
  context.save();
  if (group.clip) context.clip(pathOf(group.clip));
  if (group.opacity < 1 || group.mask || group.blur) {
    paintThrough(context, group, repaint);
  } else {
    for (const item of group.items) paintItem(context, item, repaint);
  }
  context.restore();
}

/** A canvas as large as another, and moved as it is, to paint on aside. */
function asideOf(context: CanvasRenderingContext2D): CanvasRenderingContext2D {
  const { width, height } = context.canvas;
  const layer = new OffscreenCanvas(width, height).getContext("2d") as unknown as CanvasRenderingContext2D;
  layer.setTransform(context.getTransform());
  return layer;
}

/** A group that is see-through, faded or soft is painted aside first, so that its overlaps do not show. */
function paintThrough(context: CanvasRenderingContext2D, group: GroupShown, repaint: () => void) {
  let layer = asideOf(context);
  for (const item of group.items) paintItem(layer, item, repaint);
  if (group.blur) layer = blurred(layer, group.blur);
  if (group.mask) {
    const mask = faded(layer, group.mask);
    layer.globalCompositeOperation = "destination-in";
    onto(layer, mask);
  }
  context.globalAlpha *= group.opacity;
  onto(context, layer);
}

/** Put what was painted aside where it was painted. */
function onto(context: CanvasRenderingContext2D, layer: CanvasRenderingContext2D) {
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.drawImage(layer.canvas, 0, 0);
}

function blurred(layer: CanvasRenderingContext2D, blur: number): CanvasRenderingContext2D {
  const soft = asideOf(layer);
  const { a, b } = layer.getTransform();
  soft.filter = `blur(${blur * Math.hypot(a, b)}px)`;
  onto(soft, layer);
  soft.filter = "none";
  soft.setTransform(layer.getTransform());
  return soft;
}

/** A layer as opaque as its greys are light. */
function faded(context: CanvasRenderingContext2D, greys: readonly ShapeShown[]): CanvasRenderingContext2D {
  const layer = asideOf(context);
  for (const grey of greys) {
    const outline = outlineOf(grey);
    // Each takes the place of what is under it, edges and all.
    layer.globalCompositeOperation = "destination-out";
    layer.fillStyle = "#000";
    layer.fill(outline);
    layer.globalCompositeOperation = "lighter";
    layer.fillStyle = asOpacity(layer, grey.fill!);
    layer.fill(outline);
  }
  return layer;
}

/** White, as opaque as a paint of greys is light. */
function asOpacity(context: CanvasRenderingContext2D, paint: Paint): string | CanvasGradient | CanvasPattern {
  const clear = (colour: string) => `#ffffff${colour.slice(1, 3)}`;
  if (paint.type === "solid") return clear(paint.colour);
  if (paint.type !== "linear") return "#fff";
  const gradient = context.createLinearGradient(...paint.start, ...paint.end);
  for (const stop of paint.stops) gradient.addColorStop(stop.offset, clear(stop.colour));
  return gradient;
}

function paintItem(context: CanvasRenderingContext2D, item: Item, repaint: () => void) {
  if (item.type === "group") paintGroup(context, item, repaint);
  else if (item.type === "laid") for (const shape of seen(context, item.shapes)) paintShape(context, shape);
  else if (item.type === "stamps") paintStamps(context, item);
  else paintPicture(context, item, repaint);
}

/** The shapes that are painted at this zoom: steps of relief that are finer than a pixel are not. */
function seen(context: CanvasRenderingContext2D, shapes: readonly ShapeShown[]): readonly ShapeShown[] {
  if (!shapes.some((shape) => shape.seen)) return shapes;
  const { a, b } = context.getTransform();
  const zoom = Math.hypot(a, b);
  return shapes.filter(({ seen: at }) => !at || (at[0] <= zoom && (at[1] === null || zoom < at[1])));
}

function paintStamps(context: CanvasRenderingContext2D, stamps: StampsShown) {
  const at = placementsOf(stamps);
  if (!at) return;
  const shapes = seen(context, stamps.shapes);
  if ((stamps.apart || shapes.length === 1) && shapes.every(isLine)) {
    for (const shape of shapes)
      moved(context, shape, () => strokeShape(context, shape, joinedOutline(stamps, shape, at)));
    return;
  }
  for (let i = 0; i + 5 < at.length; i += 6) {
    for (const shape of shapes) moved(context, shape, () => paintPlaced(context, shape, at.subarray(i, i + 6)));
  }
}

const isLine = (shape: ShapeShown) => !shape.fill && shape.stroke?.paint.type === "solid";

/** A shape's outline at all placements; shapes of one outline share it. */
function joinedOutline(stamps: StampsShown, shape: ShapeShown, at: Float32Array): Path2D {
  const of = joined.get(stamps) ?? new Map<string, Path2D>();
  joined.set(stamps, of);
  const key = typeof shape.outline === "string" ? shape.outline : `${shape.outline.at}`;
  let outline = of.get(key);
  if (!outline) of.set(key, (outline = placedOutline(shape.outline, at)));
  return outline;
}

/** Paint a shape where it is moved to on the sheet. */
function moved(context: CanvasRenderingContext2D, { move }: ShapeShown, paint: () => void) {
  if (!move) return paint();
  context.translate(...move);
  paint();
  context.translate(-move[0], -move[1]);
}

/** Fills and gradients move with the placement; a stroke keeps its weight. */
function paintPlaced(context: CanvasRenderingContext2D, shape: ShapeShown, at: Float32Array) {
  const [a, b, c, d, e, f] = at as unknown as [number, number, number, number, number, number];
  if (shape.fill) {
    context.save();
    context.transform(a, b, c, d, e, f);
    fillShape(context, shape, outlineOf(shape));
    context.restore();
  }
  if (shape.stroke) strokeShape(context, shape, placedOutline(shape.outline, at));
}

function paintShape(context: CanvasRenderingContext2D, shape: ShapeShown) {
  const outline = outlineOf(shape);
  moved(context, shape, () => {
    if (shape.fill) fillShape(context, shape, outline);
    if (shape.stroke) strokeShape(context, shape, outline);
  });
}

function outlineOf(shape: ShapeShown): Path2D {
  let outline = outlines.get(shape);
  if (!outline) outlines.set(shape, (outline = pathOf(shape.outline)));
  return outline;
}

function fillShape(context: CanvasRenderingContext2D, shape: ShapeShown, outline: Path2D) {
  const fill = shape.fill!;
  const rule = shape.even_odd ? "evenodd" : "nonzero";
  if (fill.type === "tiling") {
    context.fillStyle = tiles(context, fill);
    context.fill(outline, rule);
    return;
  }
  context.fillStyle = style(context, fill);
  if (fill.type === "solid") {
    context.fill(outline, rule);
    return;
  }
  // A gradient is moved by its matrix and the outline moved back, so that only the colours move.
  const matrix = new DOMMatrix(fill.matrix);
  const back = new Path2D();
  back.addPath(outline, matrix.inverse());
  context.save();
  context.transform(...fill.matrix);
  context.fill(back, rule);
  context.restore();
}

function strokeShape(context: CanvasRenderingContext2D, shape: ShapeShown, outline: Path2D) {
  const stroke = shape.stroke!;
  context.strokeStyle = style(context, stroke.paint);
  context.lineWidth = stroke.weight;
  context.lineCap = CAPS[stroke.ends];
  context.lineJoin = JOINS[stroke.joins];
  context.miterLimit = stroke.mitre_limit;
  context.setLineDash(stroke.dashes);
  context.stroke(outline);
}

/** Tiles painted at the size that they have on screen, kept while the zoom stays. */
const tiled = new WeakMap<TilingPaint, { zoom: number; pattern: CanvasPattern | null }>();
/** A tile smaller than the first on screen, px, is painted as large as the second at least and made smaller as a
 * picture: threads of a part of a pixel would be lost. */
const [PLAIN, DRAWN] = [24, 128];
/** A tile larger than this on screen, px, is painted so large and made larger as a picture. */
const LARGEST = 2048;

function tiles(context: CanvasRenderingContext2D, paint: TilingPaint): string | CanvasPattern {
  const { a, b } = context.getTransform();
  const zoom = Math.hypot(a, b);
  const kept = tiled.get(paint);
  const pattern = kept?.zoom === zoom ? kept.pattern : paintTile(paint, zoom);
  tiled.set(paint, { zoom, pattern });
  return pattern ?? paint.mean;
}

function paintTile(paint: TilingPaint, zoom: number): CanvasPattern | null {
  const fine = Math.min(1, LARGEST / (Math.max(paint.width, paint.height) * zoom));
  const width = Math.ceil(paint.width * zoom * fine);
  const height = Math.ceil(paint.height * zoom * fine);
  const small = Math.min(width, height);
  const larger = small < PLAIN ? 2 ** Math.ceil(Math.log2(DRAWN / small)) : 1;
  const layer = new OffscreenCanvas(width * larger, height * larger).getContext("2d");
  if (!layer) return null;
  const context = layer as unknown as CanvasRenderingContext2D;
  context.scale(((width * larger) / paint.width) * paint.unit, ((height * larger) / paint.height) * paint.unit);
  for (const shape of paint.shapes) paintShape(context, shape);
  const pattern = context.createPattern(larger > 1 ? smaller(layer.canvas, width, height) : layer.canvas, "repeat");
  const whole = new DOMMatrix(paint.matrix).scale(paint.width / width, paint.height / height);
  pattern?.setTransform(whole);
  return pattern;
}

/** A picture made smaller, its colours mixed: halved again and again, each pixel the mean of four. */
function smaller(picture: OffscreenCanvas, width: number, height: number): OffscreenCanvas {
  let now = picture;
  while (now.width > width || now.height > height) {
    const next = new OffscreenCanvas(Math.max(width, now.width / 2), Math.max(height, now.height / 2));
    const context = next.getContext("2d")!;
    context.imageSmoothingEnabled = true;
    context.drawImage(now, 0, 0, next.width, next.height);
    now = next;
  }
  return now;
}

function style(context: CanvasRenderingContext2D, paint: Paint): string | CanvasGradient | CanvasPattern {
  if (paint.type === "tiling") return tiles(context, paint);
  if (paint.type === "solid") return withOpacity(paint.colour, paint.opacity);
  const gradient =
    paint.type === "linear"
      ? context.createLinearGradient(...paint.start, ...paint.end)
      : context.createRadialGradient(...paint.centre, 0, ...paint.centre, paint.radius);
  for (const stop of paint.stops) {
    gradient.addColorStop(stop.offset, withOpacity(stop.colour, stop.opacity));
  }
  return gradient;
}

function withOpacity(colour: string, opacity: number): string {
  return opacity < 1
    ? colour +
        Math.round(255 * opacity)
          .toString(16)
          .padStart(2, "0")
    : colour;
}

function paintPicture(context: CanvasRenderingContext2D, item: PictureShown, repaint: () => void) {
  const image = pictureOf(item, repaint);
  const at = placementsOf(item);
  if (!at || !image) return;
  for (let i = 0; i + 5 < at.length; i += 6) {
    context.save();
    context.transform(at[i]!, at[i + 1]!, at[i + 2]!, at[i + 3]!, at[i + 4]!, at[i + 5]!);
    context.drawImage(image, 0, 0, 1, 1);
    context.restore();
  }
}

function pathOf(outline: Outline): Path2D {
  if (typeof outline === "string") return new Path2D(outline);
  const path = new Path2D();
  draw(path, outline, AS_IT_IS, 0);
  return path;
}

/** One outline repeated at every placement, as a single path. */
function placedOutline(outline: Outline, at: Float32Array): Path2D {
  const path = new Path2D();
  const one = typeof outline === "string" ? new Path2D(outline) : null;
  for (let i = 0; i + 5 < at.length; i += 6) {
    if (one) path.addPath(one, new DOMMatrix([...at.subarray(i, i + 6)]));
    else draw(path, outline as OutlinePoints, at, i);
  }
  return path;
}

const AS_IT_IS = new Float32Array([1, 0, 0, 1, 0, 0]);

/** Draw an outline's steps, each point moved by the placement whose six numbers begin at `i`. */
function draw(path: Path2D, outline: OutlinePoints, at: Float32Array, i: number) {
  const n = pointsOf(outline)!;
  const [a, b, c, d, e, f] = [at[i]!, at[i + 1]!, at[i + 2]!, at[i + 3]!, at[i + 4]!, at[i + 5]!];
  const x = (k: number) => a * n[k]! + c * n[k + 1]! + e;
  const y = (k: number) => b * n[k]! + d * n[k + 1]! + f;
  let k = 0;
  for (const step of outline.steps) {
    if (step === "M") path.moveTo(x(k), y(k));
    else if (step === "L") path.lineTo(x(k), y(k));
    else if (step === "C") path.bezierCurveTo(x(k), y(k), x(k + 2), y(k + 2), x(k + 4), y(k + 4));
    else path.closePath();
    k += step === "C" ? 6 : step === "Z" ? 0 : 2;
  }
}
