import { describe, expect, it } from "vitest";

import { fit, niceStep, toScreen, toSheet, zoomAbout } from "./view";

const view = { zoom: 2, x: 30, y: 40 };

describe("the view", () => {
  it("goes to the screen and back", () => {
    const at = { x: 12.5, y: -3 };
    expect(toSheet(view, toScreen(view, at))).toEqual(at);
    expect(toScreen(view, { x: 0, y: 0 })).toEqual({ x: 30, y: 40 });
  });

  it("zooms about the pointer, within bounds", () => {
    const at = { x: 100, y: 80 };
    const closer = zoomAbout(view, at, 3);
    expect(closer.zoom).toBe(6);
    expect(toSheet(closer, at)).toEqual(toSheet(view, at));
    expect(zoomAbout(view, at, 1e9).zoom).toBe(400);
    expect(zoomAbout(view, at, 1e-9).zoom).toBe(0.05);
  });

  it("fits the whole sheet into the window, in its middle", () => {
    const whole = fit({ width: 200, height: 100 }, { width: 456, height: 400 });
    expect(whole.zoom).toBe(2);
    expect(toScreen(whole, { x: 100, y: 50 })).toEqual({ x: 228, y: 200 });
  });

  it("steps rulers by 1, 2 or 5", () => {
    expect(niceStep(1, 46)).toBe(50);
    expect(niceStep(4, 46)).toBe(20);
    expect(niceStep(50, 46)).toBe(1);
  });
});
