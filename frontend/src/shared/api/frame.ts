/** Reading a frame: a JSON head, and float32 numbers beside it. */
import type {
  BenchFrame,
  ChangedFrame,
  GroupShown,
  OutlinePoints,
  PictureShown,
  PreviewFrame,
  RunShown,
  ShapeShown,
  SheetFrame,
  StampsShown,
  TapeFrame,
} from "./types";

export type Numbers = Float32Array;

type Item = GroupShown["items"][number];

/** The numbers that a part of a frame refers to, for as long as there is that part. */
const numbers = new WeakMap<StampsShown | PictureShown | OutlinePoints | RunShown, Numbers>();

/** Where the repeats of an item lie, six numbers each. */
export const placementsOf = (item: StampsShown | PictureShown) => numbers.get(item);

/** The points of an outline, two numbers each. */
export const pointsOf = (outline: OutlinePoints) => numbers.get(outline);

/** Start and end of each repeat of a run along the tape, garment mm. */
export const slotsOf = (run: RunShown) => numbers.get(run);

export const readSheet = (buffer: ArrayBuffer): SheetFrame => ofSheet<SheetFrame>(buffer);
export const readPreview = (buffer: ArrayBuffer): PreviewFrame => ofSheet<PreviewFrame>(buffer);
export const readChanged = (buffer: ArrayBuffer): ChangedFrame => ofSheet<ChangedFrame>(buffer);

export function readBench(buffer: ArrayBuffer): BenchFrame {
  const { head, slice } = opened<BenchFrame>(buffer);
  place([head.repeat.neighbours, ...head.proofs.map((proof) => proof.group), ...head.sample.groups], slice);
  return head;
}

function ofSheet<Head extends SheetFrame | PreviewFrame>(buffer: ArrayBuffer): Head {
  const { head, slice } = opened<Head>(buffer);
  const laid = [...head.runs, ...(head.singles ?? [])].flatMap((item) => item.group ?? []);
  place([...head.as_drawn, ...laid], slice);
  for (const run of head.runs) if (run.tape) numbers.set(run, slice(run.tape.slots));
  return head;
}

export function readTape(buffer: ArrayBuffer): TapeFrame {
  const { head, slice } = opened<TapeFrame>(buffer);
  place([head.group], slice);
  return head;
}

type Slice = (place: { at: number; count: number }) => Numbers;

function opened<Head>(buffer: ArrayBuffer): { head: Head; slice: Slice } {
  const size = new DataView(buffer).getUint32(0, true);
  const head = JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, 4, size))) as Head;
  const numbers = new Float32Array(buffer, 4 + size);
  return { head, slice: (place) => numbers.subarray(place.at, place.at + place.count) };
}

function place(items: readonly Item[], slice: Slice) {
  for (const item of items) {
    if (item.type === "stamps" || item.type === "picture") numbers.set(item, slice(item.placements));
    if (item.type === "stamps" || item.type === "laid") placeOutlines(item.shapes, slice);
    if (item.type === "group") {
      placeOutlines(item.mask ?? [], slice);
      if (item.clip) numbers.set(item.clip, slice(item.clip));
      place(item.items, slice);
    }
  }
}

function placeOutlines(shapes: readonly ShapeShown[], slice: Slice) {
  for (const { outline } of shapes) if (typeof outline !== "string") numbers.set(outline, slice(outline));
}

/** A sheet with what a preview touched in its place; everything else stays the very same. */
export function withPreview(base: SheetFrame, preview: PreviewFrame): SheetFrame {
  const { order, sheet, letterings, areas, guides, singles, colourways, shades, callouts, marks } = preview;
  return {
    ...base,
    ...given({ sheet, letterings, areas, guides, singles, colourways, shades, callouts, marks }),
    paths: over(base.paths, preview.paths, order.paths),
    runs: over(base.runs, preview.runs, order.runs),
    as_drawn: over(base.as_drawn, preview.as_drawn, order.as_drawn),
  };
}

/** A sheet after a step. */
export function withChanges(base: SheetFrame, changed: ChangedFrame): SheetFrame {
  const { revision, groups, brushes, unreadable, undo, redo } = changed;
  return { ...withPreview(base, changed), ...given({ groups, brushes }), revision, unreadable, undo, redo };
}

/** The parts that are not null. */
function given<Parts extends object>(parts: Parts) {
  const some = Object.entries(parts).filter(([, part]) => part !== null);
  return Object.fromEntries(some) as { [Key in keyof Parts]?: NonNullable<Parts[Key]> };
}

/** Rows with newer ones in their places, in a new order where there is one. */
function over<T extends { id: string }>(rows: T[], newer: T[], order: string[] | null): T[] {
  if (!newer.length && !order) return rows;
  const byId = new Map([...(order ? rows : []), ...newer].map((row) => [row.id, row]));
  return order ? order.flatMap((id) => byId.get(id) ?? []) : rows.map((row) => byId.get(row.id) ?? row);
}
