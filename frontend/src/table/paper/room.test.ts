import { describe, expect, it } from "vitest";

import { haveRoom } from "./room";

describe("room for marks", () => {
  it("is taken by those before them, not by those that are not shown", () => {
    const along = [0, 6, 12, 18, 24].map((x) => ({ x, y: 0 }));
    expect(haveRoom(along, 10)).toEqual([true, false, true, false, true]);
  });

  it("is judged aslant and across the edges of cells", () => {
    const spots = [
      { x: -1, y: -1 },
      { x: 6, y: 6 },
      { x: 1, y: 1 },
    ];
    expect(haveRoom(spots, 9)).toEqual([true, true, false]);
    expect(haveRoom(spots, 10)).toEqual([true, false, false]);
  });
});
