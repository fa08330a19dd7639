import { describe, expect, it } from "vitest";

import { type Frame, type Preview, readFrame, withPreview } from "./frame";

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
const whole = (numbers = [1, 2, 3, 4]): Frame =>
  readFrame(
    bytes(
      {
        sheet: { name: "Coat" },
        paths: [path("a"), path("b")],
        runs: [run("one", "a", 0), run("two", "b", 2)],
        singles: [],
        as_drawn: [{ id: "x" }, { id: "y" }].map((group) => ({ ...group, items: [] })),
        marks: [{ id: "m" }],
      },
      numbers,
    ),
  );
const preview = (head: object): Preview =>
  ({
    head: { paths: [], runs: [], gone: [], as_drawn: null, all_drawn: false, sheet: null, marks: null, ...head },
    slots: new Map(),
    placementsOf: () => undefined,
  }) as unknown as Preview;

describe("a frame", () => {
  it("puts its numbers where its head refers to them", () => {
    const frame = whole();
    const group = frame.head.runs[1]!.group!;
    expect([...frame.placementsOf(group.items[0] as never)!]).toEqual([3, 4]);
    expect([...frame.slots.get("one")!]).toEqual([1, 2]);
  });
});

describe("a preview over a frame", () => {
  it("takes the place of what it touches and leaves the rest the very same", () => {
    const base = whole();
    const shown = withPreview(base, preview({ paths: [{ id: "b", name: "moved" }] }));
    expect(shown.head.paths.map((row) => row.id)).toEqual(["a", "b"]);
    expect(shown.head.paths[0]).toBe(base.head.paths[0]);
    expect(shown.head.paths[1]).toEqual({ id: "b", name: "moved" });
    expect(shown.head.runs).toBe(base.head.runs);
    expect(shown.head.marks).toBe(base.head.marks);
    expect(shown.head.sheet).toBe(base.head.sheet);
  });

  it("adds what is new at the end and takes away what is gone, with its runs", () => {
    const shown = withPreview(whole(), preview({ paths: [path("c")], gone: ["a"] }));
    expect(shown.head.paths.map((row) => row.id)).toEqual(["b", "c"]);
    expect(shown.head.runs.map((row) => row.id)).toEqual(["two"]);
  });

  it("draws anew one group of what was drawn, or all of it", () => {
    const one = { id: "y", items: [stamps(0, 1)] };
    const some = withPreview(whole(), preview({ as_drawn: [one] }));
    expect(some.head.as_drawn.map((group) => group.id)).toEqual(["x", "y"]);
    expect(some.head.as_drawn[1]).toBe(one);
    const all = withPreview(whole(), preview({ as_drawn: [one], all_drawn: true }));
    expect(all.head.as_drawn).toEqual([one]);
  });
});
