/** Reading a frame: a JSON head, and float32 numbers beside it. */
import type { BenchFrame, GroupShown, PictureShown, SheetFrame, StampsShown } from "./types";

export type Numbers = Float32Array;

/** A frame with its arrays put where the head refers to them. */
export interface Frame {
  head: SheetFrame;
  /** Six numbers a repeat. */
  placementsOf: (item: StampsShown | PictureShown) => Numbers | undefined;
  /** Start and end of each repeat along the tape, worn mm, by run id. */
  slots: Map<string, Numbers>;
}

type Item = GroupShown["items"][number];

/** What painting needs of a frame. */
export type Drawn = Pick<Frame, "placementsOf">;

export function readFrame(buffer: ArrayBuffer): Frame {
  const { head, slice } = opened<SheetFrame>(buffer);
  const slots = new Map<string, Numbers>();
  const laid = [...head.runs, ...head.singles].flatMap((item) => item.group ?? []);
  const groups = [...(head.as_drawn ?? []), ...laid];
  for (const run of head.runs) if (run.tape) slots.set(run.id, slice(run.tape.slots));
  return { head, slots, placementsOf: placements(groups, slice) };
}

export interface BenchDrawn extends Drawn {
  head: BenchFrame;
}

export function readBench(buffer: ArrayBuffer): BenchDrawn {
  const { head, slice } = opened<BenchFrame>(buffer);
  const groups = [
    head.repeat.neighbours,
    ...head.proofs.map((proof) => proof.group),
    ...head.sample.groups,
  ];
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

/** A whole frame with a preview's paths and runs over its own. */
export function withPreview(base: Frame, preview: Frame | null): Frame {
  if (!preview) return base;
  const over = <T extends { id: string }>(rows: T[], newer: T[]) => {
    const byId = new Map(newer.map((row) => [row.id, row]));
    const known = new Set(rows.map((row) => row.id));
    return [
      ...rows.map((row) => byId.get(row.id) ?? row),
      ...newer.filter((row) => !known.has(row.id)),
    ];
  };
  const gone = new Set(preview.head.gone);
  return {
    head: {
      ...base.head,
      sheet: preview.head.sheet,
      letterings: preview.head.letterings,
      guides: preview.head.guides,
      singles: preview.head.singles,
      marks: preview.head.marks,
      paths: over(base.head.paths, preview.head.paths).filter((path) => !gone.has(path.id)),
      runs: over(base.head.runs, preview.head.runs).filter((run) => !gone.has(run.path)),
      as_drawn: preview.head.all_drawn
        ? (preview.head.as_drawn ?? base.head.as_drawn)
        : over(base.head.as_drawn ?? [], preview.head.as_drawn ?? []),
    },
    placementsOf: (item) => preview.placementsOf(item) ?? base.placementsOf(item),
    slots: new Map([...base.slots, ...preview.slots]),
  };
}
