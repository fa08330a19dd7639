/** Where the pointer lands when it comes near to something on the sheet. View arithmetic: what lies under the
 * hand, and the browser's own measure of the lines that it draws. */
import type { PathShown, SheetFrame } from "@/shared/api/types";

import { tableState, type PathEnd } from "../state";
import { niceStep, PAPER, type Spot, toScreen } from "../view";

/** How near a thing draws the pointer, px. */
const NEAR = 9;
const SAMPLES = 96;

export interface Landing extends Spot {
  /** What it lies on, in words. */
  on: string | null;
  /** The end of an open path that it lies on. */
  end: PathEnd | null;
}

interface Asked {
  /** With a held Shift the line from here keeps to 0°, 45° and 90°. */
  from?: Spot | undefined;
  straight?: boolean;
  /** What is being moved itself, and the paths that follow it. */
  but?: { path: string; nodes: readonly string[]; follows: ReadonlySet<string> } | undefined;
}

export function landing(at: Spot, frame: SheetFrame, { from, straight, but }: Asked = {}): Landing {
  if (from && straight) return { ...alongRay(from, at), on: "0°, 45° or 90°", end: null };
  const { snaps } = tableState();
  return (
    (snaps.nodes && onNode(at, frame, but)) ||
    (snaps.paths && onPath(at, frame, but)) ||
    onLines(at, frame) || { ...at, on: null, end: null }
  );
}

function alongRay(from: Spot, at: Spot): Spot {
  const [dx, dy] = [at.x - from.x, at.y - from.y];
  const angle = (Math.round(Math.atan2(dy, dx) / (Math.PI / 4)) * Math.PI) / 4;
  const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
  const far = dx * ux + dy * uy;
  return { x: from.x + far * ux, y: from.y + far * uy };
}

const reach = () => NEAR / tableState().view!.zoom;

function onNode(at: Spot, frame: SheetFrame, but: Asked["but"]): Landing | null {
  const { chosen } = tableState();
  let best = reach();
  let found: Landing | null = null;
  for (const path of frame.paths) {
    if (path.hidden || (path.id !== but?.path && but?.follows.has(path.id))) continue;
    path.nodes.forEach((node, index) => {
      if (but?.path === path.id && but.nodes.includes(node.id)) return;
      const end = endAt(path, index);
      const apart = Math.hypot(node.x - at.x, node.y - at.y);
      // An end that can be gone on from draws the pointer more than a node beside it, the chosen path's most.
      const felt = apart * (end ? (chosen.includes(path.id) ? 0.4 : 0.5) : 1);
      if (felt >= best || apart >= reach()) return;
      best = felt;
      found = { x: node.x, y: node.y, on: `${end ? "end" : "node"} of ${path.name}`, end };
    });
  }
  return found;
}

function endAt(path: PathShown, index: number): PathEnd | null {
  if (path.closed || path.locked) return null;
  if (index === 0) return { path: path.id, end: "start" };
  return index === path.nodes.length - 1 ? { path: path.id, end: "finish" } : null;
}

function onPath(at: Spot, frame: SheetFrame, but: Asked["but"]): Landing | null {
  const paper = document.getElementById(PAPER)!.getBoundingClientRect();
  const here = toScreen(tableState().view!, at);
  const under = document.elementsFromPoint(paper.left + here.x, paper.top + here.y);
  for (const element of under) {
    const id = element.getAttribute("data-path");
    if (!id || but?.follows.has(id) || !(element instanceof SVGGeometryElement)) continue;
    const spot = nearestOn(element, at);
    if (Math.hypot(spot.x - at.x, spot.y - at.y) > reach()) continue;
    return { ...spot, on: frame.paths.find((path) => path.id === id)?.name ?? null, end: null };
  }
  return null;
}

/** The line's point nearest to a spot: looked for along it, then ever more closely. */
function nearestOn(line: SVGGeometryElement, at: Spot): Spot {
  const whole = line.getTotalLength();
  const gap = (s: number) => {
    const point = line.getPointAtLength(s);
    return Math.hypot(point.x - at.x, point.y - at.y);
  };
  let step = whole / SAMPLES;
  let best = 0;
  for (let i = 0; i <= SAMPLES; i++) if (gap(i * step) < gap(best)) best = i * step;
  for (; step > 1e-4; step /= 2) {
    for (const s of [best - step / 2, best + step / 2]) {
      if (s >= 0 && s <= whole && gap(s) < gap(best)) best = s;
    }
  }
  const { x, y } = line.getPointAtLength(best);
  return { x, y };
}

/** The sheet's edges and middles, and the paper's crosses as they are shown, each way for itself. */
function onLines(at: Spot, frame: SheetFrame): Landing | null {
  const { snaps, view } = tableState();
  const { width, height, factor } = frame.sheet;
  const step = niceStep(view!.zoom * factor, 46) * factor;
  const lines = (value: number, size: number): [number, string][] => [
    ...(snaps.edges
      ? ([
          [0, "sheet’s edge"],
          [size, "sheet’s edge"],
          [size / 2, "sheet’s middle"],
        ] as [number, string][])
      : []),
    ...(snaps.crosses ? ([[Math.round(value / step) * step, "the crosses"]] as [number, string][]) : []),
  ];
  const nearest = (value: number, size: number) =>
    lines(value, size).find(([line]) => Math.abs(line - value) < reach());
  const [x, y] = [nearest(at.x, width), nearest(at.y, height)];
  if (!x && !y) return null;
  return { x: x?.[0] ?? at.x, y: y?.[0] ?? at.y, on: (x ?? y)![1], end: null };
}
