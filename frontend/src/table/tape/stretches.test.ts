import { describe, expect, it } from "vitest";

import { covered, unbroken } from "./stretches";

/** Three stitches of 3 mm with gaps of 1 mm, then two more after 9 mm that were left over. */
const slots = new Float32Array([0, 3, 4, 7, 8, 11, 20, 23, 24, 27]);

describe("very many repeats", () => {
  it("are parted where something is left over between them", () => {
    expect(unbroken(slots, 2)).toEqual([
      [0, 2],
      [3, 4],
    ]);
    expect(unbroken(slots, 10)).toEqual([[0, 4]]);
    expect(unbroken(slots, 0.5)).toHaveLength(5);
  });

  it("are as light as they and their gaps are together", () => {
    expect(covered(slots.subarray(0, 6))).toBeCloseTo(9 / 11);
    expect(covered(new Float32Array([5, 8]))).toBe(1);
  });
});
