/** What is chosen on the Table and what is being done there; the server keeps nothing of it. */
import { create } from "zustand";

import type { Intent, MeasureShown, PreviewFrame } from "@/shared/api/types";
import type { Notice } from "@/shared/ui/Said";
import type { WorkUnderWay } from "@/shared/work";

import type { Size, Spot, View } from "./view";

export type Tool = "choose" | "draft" | "sketch" | "figure" | "lettering" | "measure";

/** An end of an open path. */
export interface PathEnd {
  path: string;
  end: "start" | "finish";
}

export interface DraftNode extends Spot {
  into: [number, number] | null;
  out: [number, number] | null;
  /** The end of an open path that it lies on. */
  end: PathEnd | null;
}

/** Text to be written, its numbers as entered. */
export interface Writing {
  text: string;
  font: string;
  align: "left" | "centre" | "right";
  unite: boolean;
  numbers: Record<string, string>;
}

/** What draws the pointer. */
export interface Snaps {
  nodes: boolean;
  paths: boolean;
  crosses: boolean;
  edges: boolean;
}

const SNAPS = "curlet-snaps";
const ALL: Snaps = { nodes: true, paths: true, crosses: true, edges: true };

function keptSnaps(): Snaps {
  try {
    return { ...ALL, ...(JSON.parse(localStorage.getItem(SNAPS) ?? "{}") as Partial<Snaps>) };
  } catch {
    return ALL;
  }
}

/** Turn one of the things that draw the pointer on or off; kept in this browser. */
export function setSnap(which: keyof Snaps, on: boolean) {
  const snaps = { ...tableState().snaps, [which]: on };
  localStorage.setItem(SNAPS, JSON.stringify(snaps));
  useTableState.setState({ snaps });
}

export interface Place {
  kind: "corner" | "crossing" | "end" | "repeat";
  key: string;
}

/** A guide picture, or the picture inside the shape of a path. */
export interface HeldPicture {
  kind: "guide" | "fill";
  id: string;
}

interface TableState {
  tool: Tool;
  view: View | null;
  window: Size;
  chosen: string[];
  nodes: string[];
  /** Which of the chosen path's runs the Ticket is about; the topmost if none. */
  run: string | null;
  /** The course of a run that the Ticket sets; its first row if none. */
  course: { run: string; index: number } | null;
  /** A single place of the run: a corner by its node, a crossing by its key, an end by which it is, a repeat by
   * its course, leg and number. */
  place: Place | null;
  /** The next brush pressed is laid beside those that the path has. */
  adding: boolean;
  marks: boolean;
  draft: DraftNode[];
  snaps: Snaps;
  /** What the pointer has landed on, in words. */
  on: string | null;
  /** The next press on the chosen path cuts it. */
  cutting: boolean;
  /** Where the pen has been, with its pressure, while it draws. */
  stroke: [number, number, number][];
  /** What Sketch makes of a stroke, as entered. */
  steadiness: string;
  within: string;
  /** The figure that the Figure tool draws, and the numbers entered for each. */
  figure: string;
  entered: Record<string, Record<string, string>>;
  /** What the Lettering tool writes. */
  writing: Writing;
  /** What Measure measures, the places pressed for it, and the answer. */
  measuring: "straight" | "along" | "angle" | "radius";
  places: Spot[];
  measured: MeasureShown | null;
  /** The guide picture that is calibrated by the next measurement. */
  calibrating: string | null;
  /** The picture that is placed by hand. */
  picture: HeldPicture | null;
  /** The single repeat that is chosen. */
  single: string | null;
  pointer: Spot | null;
  lit: { run: string; index: number } | null;
  /** Places of the chosen run that a warning is about, and which of them is looked at. */
  looked: { spots: Spot[]; at: number } | null;
  /** The box that is drawn on bare paper to choose by, px in the window. */
  box: readonly [Spot, Spot] | null;
  preview: PreviewFrame | null;
  /** What the preview shows. */
  tried: Intent | null;
  notice: Notice | null;
  /** A step that takes so long that it is said. */
  work: WorkUnderWay | null;
  exporting: boolean;
  /** Whether the list of keys is open. */
  keyList: boolean;
  /** The shade card, where the Ticket shows it, and which shade is open on it. */
  card: { shade: string | null } | null;
  /** The shade whose colour the next press on the sheet picks. */
  picking: string | null;
  /** Whether the Ticket shows the stitching, or the path itself. */
  page: "stitching" | "path";
  set: (values: Partial<Omit<TableState, "set">>) => void;
}

export const useTableState = create<TableState>((set) => ({
  tool: "choose",
  view: null,
  window: { width: 0, height: 0 },
  chosen: [],
  nodes: [],
  run: null,
  course: null,
  place: null,
  adding: false,
  marks: true,
  draft: [],
  snaps: keptSnaps(),
  on: null,
  cutting: false,
  stroke: [],
  steadiness: "5 mm",
  within: "1 mm",
  figure: "rectangle",
  entered: {},
  writing: { text: "Paper Lantern", font: "graduate", align: "left", unite: true, numbers: { caps: "40 mm" } },
  measuring: "straight",
  places: [],
  measured: null,
  calibrating: null,
  picture: null,
  single: null,
  pointer: null,
  lit: null,
  looked: null,
  box: null,
  preview: null,
  tried: null,
  notice: null,
  work: null,
  exporting: false,
  keyList: false,
  card: null,
  picking: null,
  page: "stitching",
  set: (values) => set(values),
}));

/** Choose paths, and nothing on them yet. */
export function choosePaths(chosen: string[]) {
  useTableState.setState({
    chosen,
    nodes: [],
    run: null,
    place: null,
    looked: null,
    adding: false,
    cutting: false,
    single: null,
    picture: null,
    card: null,
  });
}

/** Outside of rendering: the state as it is now. */
export const tableState = () => useTableState.getState();
