import { describe, expect, it } from "vitest";

import { placementsOf, pointsOf, readChanged, readSheet, slotsOf, withChanges, withPreview } from "./frame";
import type { OutlinePoints, PreviewFrame, SheetFrame } from "./types";

/** A frame's bytes: the head's length, the head padded to four bytes, then the numbers. */
function bytes(head: object, numbers: number[]): ArrayBuffer {
  let text = JSON.stringify(head);
  text += " ".repeat((4 - (text.length % 4)) % 4);
  const packed = new Uint8Array(4 + text.length + 4 * numbers.length);
  new DataView(packed.buffer).setUint32(0, text.length, true);
  packed.set(new TextEncoder().encode(text), 4);
  packed.set(new Uint8Array(new Float32Array(numbers).buffer), 4 + text.length);
  return packed.buffer;
}

const stamps = (at: number, count: number) => ({ type: "stamps", shapes: [], placements: { at, count } });
const run = (id: string, path: string, at: number) => ({
  id,
  path,
  tape: { slots: { at, count: 2 } },
  group: { type: "group", id: `run-${id}`, items: [stamps(at, 2)] },
});
const path = (id: string) => ({ id });
const whole = (numbers = [1, 2, 3, 4]): SheetFrame =>
  readSheet(
    bytes(
      {
        revision: 7,
        sheet: { name: "Coat" },
        paths: [path("a"), path("b")],
        runs: [run("one", "a", 0), run("two", "b", 2)],
        singles: [],
        as_drawn: [{ id: "x" }, { id: "y" }].map((group) => ({ ...group, items: [] })),
        marks: [{ id: "m" }],
        callouts: [],
        groups: [{ id: "hems" }],
        undo: null,
      },
      numbers,
    ),
  );
const nothing = {
  paths: [],
  runs: [],
  as_drawn: [],
  order: { paths: null, runs: null, as_drawn: null },
  sheet: null,
  letterings: null,
  areas: null,
  guides: null,
  singles: null,
  marks: null,
  callouts: null,
};
const preview = (part: object) => ({ ...nothing, ...part }) as unknown as PreviewFrame;
const ids = (rows: { id: string }[]) => rows.map((row) => row.id);

describe("a frame", () => {
  it("has its numbers where it refers to them", () => {
    const second = whole().runs[1]!;
    expect([...placementsOf(second.group!.items[0] as never)!]).toEqual([3, 4]);
    expect([...slotsOf(second)!]).toEqual([3, 4]);
  });
});

describe("a preview over a sheet", () => {
  it("takes the place of what it touches and leaves the rest the very same", () => {
    const base = whole();
    const shown = withPreview(base, preview({ paths: [{ id: "b", name: "moved" }] }));
    expect(ids(shown.paths)).toEqual(["a", "b"]);
    expect(shown.paths[0]).toBe(base.paths[0]);
    expect(shown.paths[1]).toEqual({ id: "b", name: "moved" });
    expect(shown.runs).toBe(base.runs);
    expect(shown.marks).toBe(base.marks);
    expect(shown.sheet).toBe(base.sheet);
  });

  it("adds what is new, takes away what is gone, and puts the rest in order", () => {
    const order = { paths: ["c", "b"], runs: ["two"], as_drawn: null };
    const shown = withPreview(whole(), preview({ paths: [path("c")], order }));
    expect(ids(shown.paths)).toEqual(["c", "b"]);
    expect(ids(shown.runs)).toEqual(["two"]);
    expect(ids(shown.as_drawn)).toEqual(["x", "y"]);
  });

  it("draws anew one group of what was drawn", () => {
    const one = { id: "y", items: [stamps(0, 1)] };
    const shown = withPreview(whole(), preview({ as_drawn: [one] }));
    expect(ids(shown.as_drawn)).toEqual(["x", "y"]);
    expect(shown.as_drawn[1]).toBe(one);
  });
});

describe("a step over a sheet", () => {
  const step = {
    ...nothing,
    base: 7,
    revision: 8,
    groups: null,
    brushes: null,
    unreadable: [],
    undo: "Move",
    redo: null,
  };

  it("brings its revision, what undo would do, and the numbers of what it touched", () => {
    const base = whole();
    const changed = readChanged(bytes({ ...step, runs: [run("one", "a", 2)], notes: ["Said."] }, [9, 9, 5, 6]));
    const after = withChanges(base, changed);
    expect([after.revision, after.undo]).toEqual([8, "Move"]);
    expect([...slotsOf(after.runs[0]!)!]).toEqual([5, 6]);
    expect([...slotsOf(after.runs[1]!)!]).toEqual([3, 4]);
    expect(after.groups).toBe(base.groups);
    expect(after).not.toHaveProperty("notes");
    expect(after).not.toHaveProperty("order");
  });
});

it("gives the masks of groups their numbers, those within others too", () => {
  const grey = (at: number) => ({ outline: { steps: "ML", at, count: 4 }, fill: null, stroke: null });
  const inner = { type: "group", id: "inner", items: [], mask: [grey(0)] };
  const faded = { ...run("one", "a", 8), group: { type: "group", id: "run-one", items: [inner], mask: [grey(4)] } };
  const frame = readSheet(bytes({ runs: [faded], singles: [], as_drawn: [] }, [1, 2, 3, 4, 5, 6, 7, 8, 0, 0]));
  const group = frame.runs[0]!.group!;
  const outlineOf = (shapes: unknown) => (shapes as { outline: OutlinePoints }[])[0]!.outline;
  expect([...pointsOf(outlineOf(group.mask))!]).toEqual([5, 6, 7, 8]);
  expect([...pointsOf(outlineOf((group.items[0] as typeof group).mask))!]).toEqual([1, 2, 3, 4]);
});
