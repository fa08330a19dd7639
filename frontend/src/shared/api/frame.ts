/** Reading a frame: a JSON head, and float32 numbers beside it. */
import type { RunShown, SheetFrame, StampsShown } from "./types";

export type Numbers = Float32Array;

/** A frame with its arrays put where the head refers to them. */
export interface Frame {
  head: SheetFrame;
  /** Six numbers a repeat. */
  placementsOf: (stamps: StampsShown) => Numbers | undefined;
  /** Start and end of each repeat along the tape, worn mm, by run id. */
  slots: Map<string, Numbers>;
}

type Item = NonNullable<RunShown["group"]>["items"][number];

export function readFrame(buffer: ArrayBuffer): Frame {
  const size = new DataView(buffer).getUint32(0, true);
  const head = JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, 4, size))) as SheetFrame;
  const numbers = new Float32Array(buffer, 4 + size);
  const placements = new WeakMap<StampsShown, Numbers>();
  const slots = new Map<string, Numbers>();
  const slice = (place: { at: number; count: number }) =>
    numbers.subarray(place.at, place.at + place.count);
  const walk = (items: Item[]) => {
    for (const item of items) {
      if (item.type === "stamps") placements.set(item, slice(item.placements));
      if (item.type === "group") walk(item.items);
    }
  };
  for (const group of head.as_drawn ?? []) walk(group.items);
  for (const run of head.runs) {
    if (run.group) walk(run.group.items);
    if (run.tape) slots.set(run.id, slice(run.tape.slots));
  }
  return { head, placementsOf: (stamps) => placements.get(stamps), slots };
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
  return {
    head: {
      ...base.head,
      sheet: preview.head.sheet,
      paths: over(base.head.paths, preview.head.paths),
      runs: over(base.head.runs, preview.head.runs),
      as_drawn: preview.head.as_drawn ?? base.head.as_drawn,
    },
    placementsOf: (stamps) => preview.placementsOf(stamps) ?? base.placementsOf(stamps),
    slots: new Map([...base.slots, ...preview.slots]),
  };
}
