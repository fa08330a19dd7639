import { describe, expect, it } from "vitest";

import { mmPer, shownIn, stepIn, typedIn } from "./unit";

describe("a length in inches", () => {
  it("is shown to a thousandth at least, as rulers for sewing are read", () => {
    expect(shownIn("in", "25.4 mm")).toBe("1.000 in");
    expect(shownIn("in", "3 mm")).toBe("0.1181 in");
    expect(shownIn("in", "0 mm")).toBe("0 in");
  });

  it("leaves alone what is no length, and what is in mm", () => {
    expect(shownIn("in", "30 %")).toBe("30 %");
    expect(shownIn("mm", "25.4 mm")).toBe("25.4 mm");
  });

  it("has inches put to a bare number or sum only", () => {
    expect(typedIn("in", "1.5")).toBe("1.5 in");
    expect(typedIn("in", "1-1/2")).toBe("(1-1/2) in");
    expect(typedIn("in", "3 mm")).toBe("3 mm");
    expect(typedIn("mm", "1.5")).toBe("1.5");
  });

  it("moves by a step about as large", () => {
    expect(stepIn("in", 0.5)).toBe(0.02);
    expect(stepIn("mm", 0.5)).toBe(0.5);
    expect(mmPer("in")).toBe(25.4);
  });
});
