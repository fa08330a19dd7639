/** Reading a frame: a JSON head, and float32 numbers beside it. */
import type { BenchFrame, GroupShown, PictureShown, PreviewFrame, SheetFrame, StampsShown } from "./types";

export type Numbers = Float32Array;

/** A frame with its arrays put where the head refers to them. */
interface Opened<Head> {
  head: Head;
  /** Six numbers a repeat. */
  placementsOf: (item: StampsShown | PictureShown) => Numbers | undefined;
  /** Start and end of each repeat along the tape, worn mm, by run id. */
  slots: Map<string, Numbers>;
}

export type Frame = Opened<SheetFrame>;
export type Preview = Opened<PreviewFrame>;

type Item = GroupShown["items"][number];

/** What painting needs of a frame. */
export type Drawn = Pick<Frame, "placementsOf">;

export const readFrame = (buffer: ArrayBuffer): Frame => ofSheet<SheetFrame>(buffer);
export const readPreview = (buffer: ArrayBuffer): Preview => ofSheet<PreviewFrame>(buffer);

function ofSheet<Head extends SheetFrame | PreviewFrame>(buffer: ArrayBuffer): Opened<Head> {
  const { head, slice } = opened<Head>(buffer);
  const slots = new Map<string, Numbers>();
  const laid = [...head.runs, ...(head.singles ?? [])].flatMap((item) => item.group ?? []);
  const groups = [...(head.as_drawn ?? []), ...laid];
  for (const run of head.runs) if (run.tape) slots.set(run.id, slice(run.tape.slots));
  return { head, slots, placementsOf: placements(groups, slice) };
}

export interface BenchDrawn extends Drawn {
  head: BenchFrame;
}

export function readBench(buffer: ArrayBuffer): BenchDrawn {
  const { head, slice } = opened<BenchFrame>(buffer);
  const groups = [head.repeat.neighbours, ...head.proofs.map((proof) => proof.group), ...head.sample.groups];
  return { head, placementsOf: placements(groups, slice) };
}

type Slice = (place: { at: number; count: number }) => Numbers;

function opened<Head>(buffer: ArrayBuffer): { head: Head; slice: Slice } {
  const size = new DataView(buffer).getUint32(0, true);
  const head = JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, 4, size))) as Head;
  const numbers = new Float32Array(buffer, 4 + size);
  return { head, slice: (place) => numbers.subarray(place.at, place.at + place.count) };
}

function placements(groups: readonly GroupShown[], slice: Slice) {
  const found = new WeakMap<StampsShown | PictureShown, Numbers>();
  const walk = (items: readonly Item[]) => {
    for (const item of items) {
      if (item.type === "stamps" || item.type === "picture") found.set(item, slice(item.placements));
      if (item.type === "group") walk(item.items);
    }
  };
  for (const group of groups) walk(group.items);
  return (item: StampsShown | PictureShown) => found.get(item);
}

/** A whole frame with what a preview touched in its place; everything else stays the very same. */
export function withPreview(base: Frame, { head, placementsOf, slots }: Preview): Frame {
  const gone = new Set(head.gone);
  const { sheet, letterings, guides, singles, marks } = head;
  const beside = Object.entries({ sheet, letterings, guides, singles, marks }).filter(([, part]) => part !== null);
  const paths = over(base.head.paths, head.paths);
  const runs = over(base.head.runs, head.runs);
  const drawn = head.as_drawn;
  return {
    head: {
      ...base.head,
      ...(Object.fromEntries(beside) as Partial<SheetFrame>),
      paths: gone.size ? paths.filter((path) => !gone.has(path.id)) : paths,
      runs: gone.size ? runs.filter((run) => !gone.has(run.path)) : runs,
      as_drawn: !drawn ? base.head.as_drawn : head.all_drawn ? drawn : over(base.head.as_drawn, drawn),
    },
    placementsOf: (item) => placementsOf(item) ?? base.placementsOf(item),
    slots: slots.size ? new Map([...base.slots, ...slots]) : base.slots,
  };
}

/** Rows with newer ones in their places, and new ones after them. */
function over<T extends { id: string }>(rows: T[], newer: T[]): T[] {
  if (!newer.length) return rows;
  const byId = new Map(newer.map((row) => [row.id, row]));
  const known = new Set(rows.map((row) => row.id));
  return [...rows.map((row) => byId.get(row.id) ?? row), ...newer.filter((row) => !known.has(row.id))];
}
