/** Groups of the drawing on a canvas of their own. */
import { useLayoutEffect, useRef } from "react";

import type { GroupShown } from "@/shared/api/types";
import { mark } from "@/shared/mark";
import { paintGroups } from "@/shared/draw/painter";

export interface Placing {
  zoom: number;
  x: number;
  y: number;
}

interface Props {
  groups: readonly GroupShown[];
  width: number;
  height: number;
  /** Pixels to the mm, and where the drawing's origin lies in the canvas. */
  at: Placing;
  /** What is drawn full within this box (mm) is faint outside it. */
  spot?: { x: number; y: number; width: number; height: number };
}

const FAINT = 0.32;

export function Painted({ groups, width, height, at, spot }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const paint = () => {
      const ratio = window.devicePixelRatio || 1;
      const target = canvas.current!;
      target.width = Math.round(width * ratio);
      target.height = Math.round(height * ratio);
      const context = target.getContext("2d")!;
      context.setTransform(ratio * at.zoom, 0, 0, ratio * at.zoom, ratio * at.x, ratio * at.y);
      if (!spot) return paintGroups(context, groups, paint);
      context.globalAlpha = FAINT;
      paintGroups(context, groups, paint);
      context.globalAlpha = 1;
      context.beginPath();
      context.rect(spot.x, spot.y, spot.width, spot.height);
      context.clip();
      context.clearRect(spot.x, spot.y, spot.width, spot.height);
      paintGroups(context, groups, paint);
    };
    paint();
    requestAnimationFrame(() => mark("curlet-bench-painted"));
  }, [groups, width, height, at, spot]);
  return <canvas ref={canvas} aria-hidden className="block" style={{ width, height }} />;
}

/** A box of the drawing in the middle of a window, as large as it goes; never above `most` px a mm. */
export function fitted(
  box: readonly [number, number, number, number],
  width: number,
  height: number,
  most = 24,
): Placing {
  const [left, top, wide, high] = box;
  const zoom = Math.min(width / wide, height / high, most);
  return { zoom, x: width / 2 - zoom * (left + wide / 2), y: height / 2 - zoom * (top + high / 2) };
}
