import { describe, expect, it } from "vitest";

import { fractionOf, inDecimals, mmPer, shownIn, stepIn, typedIn } from "./unit";

describe("a length in inches", () => {
  it("is shown to a thousandth at least, as rulers for sewing are read", () => {
    expect(shownIn("in", "25.4 mm")).toBe("1.000 in");
    expect(shownIn("in", "3 mm")).toBe("0.1181 in");
    expect(shownIn("in", "0 mm")).toBe("0 in");
  });

  it("is a fraction where a tape measure has that fraction", () => {
    expect(shownIn("in", "3.175 mm")).toBe("1/8 in");
    expect(shownIn("in", "34.925 mm")).toBe("1 3/8 in");
    expect(shownIn("in", "-1.5875 mm")).toBe("-1/16 in");
    // 1/64 in is kept as 0.3969 mm.
    expect(shownIn("in", "0.3969 mm")).toBe("1/64 in");
    expect(fractionOf(2)).toBeNull();
    expect(fractionOf(0.2)).toBeNull();
    expect(inDecimals("1 3/8 in")).toBe("1.375 in");
    expect(inDecimals("-1/16 in")).toBe("-0.0625 in");
    expect(inDecimals("6 mm")).toBe("6 mm");
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
