import { beforeEach, describe, expect, it } from "vitest";

import type { SheetFrame } from "@/shared/api/types";

import { tableState } from "../state";
import { landing } from "./snap";

const node = (id: string, x: number, y: number) => ({ id, x, y, into: null, out: null });
const path = (id: string, closed: boolean, ...nodes: ReturnType<typeof node>[]) => ({
  id,
  name: id,
  closed,
  hidden: false,
  locked: false,
  nodes,
});
const frame = {
  sheet: { width: 200, height: 100, factor: 1 },
  paths: [path("Hem", false, node("n1", 10, 10), node("n2", 50, 10)), path("Pocket", true, node("p1", 50.5, 14))],
} as unknown as SheetFrame;

const only = (which: string) => ({ nodes: false, paths: false, edges: false, crosses: false, [which]: true });

beforeEach(() => {
  // 3 px to the mm: what lies within 9 px draws the pointer, 3 mm.
  tableState().set({ view: { zoom: 3, x: 0, y: 0 }, chosen: [], snaps: only("nodes") });
});

describe("where the pointer lands", () => {
  it("is the node near to it, with its name, and no other", () => {
    expect(landing({ x: 12, y: 11 }, frame)).toMatchObject({ x: 10, y: 10, on: "end of Hem" });
    expect(landing({ x: 14, y: 10 }, frame)).toMatchObject({ x: 14, y: 10, on: null });
  });

  it("is an end that can be gone on from rather than a node as near", () => {
    expect(landing({ x: 50.2, y: 12.1 }, frame)).toMatchObject({ x: 50, y: 10, end: { path: "Hem", end: "finish" } });
  });

  it("is no end on a closed path", () => {
    expect(landing({ x: 50.4, y: 14.2 }, frame)).toMatchObject({ on: "node of Pocket", end: null });
  });

  it("is never what is being moved itself", () => {
    const but = { path: "Hem", nodes: ["n1"], follows: new Set(["Hem"]) };
    expect(landing({ x: 11, y: 10 }, frame, { but }).on).toBeNull();
  });

  it("is none of what follows what is being moved, but a node of its own that stays", () => {
    const but = { path: "Hem", nodes: ["n1"], follows: new Set(["Hem", "Pocket"]) };
    expect(landing({ x: 50.6, y: 13.8 }, frame, { but }).on).toBeNull();
    expect(landing({ x: 50.1, y: 10.2 }, frame, { but }).on).toBe("end of Hem");
  });

  it("keeps to 45° from where a line begins while Shift is held", () => {
    const spot = landing({ x: 30, y: 12 }, frame, { from: { x: 10, y: 10 }, straight: true });
    expect(spot.y).toBeCloseTo(10, 9);
    expect(spot.x).toBeCloseTo(30, 9);
    // 20° is nearer to level than to 45°.
    expect(landing({ x: 30, y: 17.3 }, frame, { from: { x: 10, y: 10 }, straight: true }).y).toBeCloseTo(10, 9);
    const aslant = landing({ x: 30, y: 29 }, frame, { from: { x: 10, y: 10 }, straight: true });
    expect(aslant.x - 10).toBeCloseTo(aslant.y - 10, 9);
  });

  it("is the sheet's edge or middle, each way for itself", () => {
    tableState().set({ snaps: only("edges") });
    expect(landing({ x: 101, y: 30 }, frame)).toMatchObject({ x: 100, y: 30, on: "sheet’s middle" });
    expect(landing({ x: 1, y: 99 }, frame)).toMatchObject({ x: 0, y: 100, on: "sheet’s edge" });
  });
});
