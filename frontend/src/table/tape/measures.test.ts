import { expect, test } from "vitest";

import type { TapeShown } from "@/shared/api/types";

import { CLOTH, EDGE, firstWindow, fitting, kept, PAD, placeOf, zoomed } from "./measures";

const tape = (length: number, half: number, start = 0) =>
  ({ start, length, closed: false, edges: [-half, half], pieces: [], slots: { at: 0, count: 0 } }) as TapeShown;

const WIDTH = 1000;

test("a short run is seen whole", () => {
  const { from, perMm } = firstWindow(tape(100, 0.4), 4, WIDTH);
  expect(from).toBe(0);
  expect(perMm).toBeCloseTo((WIDTH - 2 * PAD) / 100);
});

test("a repeat of a long run can be grasped", () => {
  const { perMm } = firstWindow(tape(5000, 0.4), 4, WIDTH);
  expect(4 * perMm).toBe(30);
  // However wide the artwork is.
  expect(4 * firstWindow(tape(5000, 40), 4, WIDTH).perMm).toBe(14);
});

test("wide artwork is seen in all its width", () => {
  const { perMm } = firstWindow(tape(100, 10), 20, WIDTH);
  expect(10 * perMm).toBe(CLOTH - EDGE);
});

test("the window stays within the run and its scale within bounds", () => {
  const run = tape(5000, 0.4, 10);
  expect(kept({ from: -50, perMm: 8 }, run, 4, WIDTH).from).toBe(10);
  const end = kept({ from: 1e6, perMm: 8 }, run, 4, WIDTH);
  expect(placeOf(end).x(5010)).toBeCloseTo(WIDTH - PAD);
  expect(kept({ from: 10, perMm: 0 }, run, 4, WIDTH).perMm).toBeCloseTo(fitting(run, WIDTH));
  expect(kept({ from: 10, perMm: 1e6 }, run, 4, WIDTH).perMm).toBe(60);
});

test("zooming leaves in its place what is under the pointer", () => {
  const before = { from: 40, perMm: 3 };
  const at = placeOf(before).at(400);
  const after = zoomed(before, 1.7, 400);
  expect(after.perMm).toBeCloseTo(5.1);
  expect(placeOf(after).x(at)).toBeCloseTo(400);
});
