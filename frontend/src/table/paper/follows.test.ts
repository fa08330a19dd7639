import { describe, expect, it } from "vitest";

import type { SheetFrame } from "@/shared/api/types";

import { follows } from "./follows";

const path = (id: string, more: object = {}) => ({ id, half: null, lettering: null, area: null, ...more });
const frame = {
  paths: [
    path("Front"),
    path("Other front", { half: "Front" }),
    path("Hem"),
    path("Letter M", { lettering: "text" }),
    path("Edge", { area: "area" }),
    path("Outer", { area: "whole" }),
  ],
  runs: [{ id: "run", path: "Other front" }],
  letterings: [{ id: "text", along: "Edge" }],
  areas: [
    { id: "area", members: [{ kind: "run", id: "run" }], paths: ["Edge"] },
    {
      id: "whole",
      members: [
        { kind: "area", id: "area" },
        { kind: "path", id: "Pocket" },
      ],
      paths: ["Outer"],
    },
  ],
} as unknown as SheetFrame;

describe("what follows a path", () => {
  it("is its half, the areas of that, areas of those, and text along their edges", () => {
    expect([...follows(frame, "Front")].sort()).toEqual(["Edge", "Front", "Letter M", "Other front", "Outer"]);
  });

  it("is what a half is of, too", () => {
    expect(follows(frame, "Other front").has("Front")).toBe(true);
  });

  it("is itself alone where nothing hangs on it", () => {
    expect([...follows(frame, "Hem")]).toEqual(["Hem"]);
  });
});
