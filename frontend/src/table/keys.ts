/** Keys of the Table: what each does, where it acts, and what it is called in the list of keys. */
import { useEffect } from "react";
import { create } from "zustand";

import type { SheetFrame } from "@/shared/api/types";
import { isUnsaved, panelOf } from "@/shared/ui/stops";

import { copyChosen, cutChosen, duplicateChosen, paste } from "./clipboard";
import { chooseTool, fitSheet, trueSize, zoomBy } from "./HeadStrip";
import { giveLook, takeLook } from "./looks";
import { reorderChosen } from "./order";
import { type SheetSession, useSheetSession } from "./sheet";
import { choosePaths, tableState } from "./state";
import { TOOLS } from "./tools/tools";
import { onSheet, PAPER } from "./view";

const SINGLE = "curlet-single-keys";

/** Single-letter keys get in the way of speech input: they can be turned off, in this browser. */
export const useSingleKeys = create<{ on: boolean }>(() => ({ on: localStorage.getItem(SINGLE) !== "off" }));

export function setSingleKeys(on: boolean) {
  localStorage.setItem(SINGLE, on ? "on" : "off");
  useSingleKeys.setState({ on });
}

interface Key {
  keys: string;
  does: string;
}

/** The list of keys, by where they act. */
export const KEY_LIST: readonly (readonly [string, readonly Key[]])[] = [
  [
    "Everywhere",
    [
      { keys: "F6, Shift+F6", does: "Next panel, previous panel" },
      { keys: "Arrows", does: "From one thing in a panel to the next" },
      { keys: "Ctrl+Z", does: "Undo" },
      { keys: "Ctrl+Shift+Z, Ctrl+Y", does: "Redo" },
      { keys: "?", does: "This list" },
      ...TOOLS.map(({ digit, name }) => ({ keys: digit, does: name })),
      { keys: "+, −", does: "Zoom in, zoom out" },
      { keys: "F", does: "Fit the sheet in the window" },
      { keys: "T", does: "True size" },
      { keys: "M", does: "Hide or show marks" },
      { keys: "L, G", does: "Take up the look of what is chosen, give it to what is chosen" },
    ],
  ],
  [
    "With the sheet in focus, or the list of paths",
    [
      { keys: "Ctrl+A", does: "Choose all paths" },
      { keys: "Ctrl+C, Ctrl+X, Ctrl+V", does: "Copy, cut, paste" },
      { keys: "Ctrl+D", does: "Duplicate" },
      { keys: "Delete", does: "Delete what is chosen" },
      { keys: "Ctrl+], Ctrl+[", does: "One above, one below" },
      { keys: "Ctrl+Shift+], Ctrl+Shift+[", does: "To the front, to the back" },
      { keys: "Escape", does: "Choose nothing" },
    ],
  ],
  [
    "With the sheet in focus",
    [
      { keys: "Arrows", does: "Move what is chosen 1 mm, with Shift 10 mm, with Ctrl 0.1 mm; pan if nothing is" },
      { keys: "N, Shift+N", does: "Next node, previous node" },
      { keys: "C, Shift+C", does: "Next corner or crossing, previous one" },
      { keys: "Space", does: "Hold and drag to pan; with a pen tool, set a node" },
      { keys: "Enter", does: "End the path that is drafted" },
    ],
  ],
  [
    "In a number field",
    [
      { keys: "↑, ↓", does: "One step, with Shift ten" },
      { keys: "Enter", does: "Keep it, and back to the sheet" },
      { keys: "Escape", does: "As it was" },
    ],
  ],
];

const isField = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches("input:not([type=radio]):not([type=checkbox]), select, textarea");

/** Where what is chosen can be deleted, copied and moved in order. */
const onThings = (target: EventTarget | null) =>
  onSheet(target) || (target instanceof Element && panelOf(target)?.dataset.things !== undefined);

export function useKeys() {
  const session = useSheetSession();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.altKey || document.querySelector("dialog[open]")) return;
      const done = event.ctrlKey || event.metaKey ? control(event, session) : plain(event, session, session.frame);
      if (done) event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [session]);
}

function control(event: KeyboardEvent, session: SheetSession): boolean {
  const key = event.key.toLowerCase();
  if (isUnsaved(event.target)) return false;
  if (key === "z" && !event.shiftKey) void session.undo();
  else if (key === "y" || key === "z") void session.redo();
  else if (!isField(event.target) && onThings(event.target)) return things(event, session);
  else return false;
  return true;
}

/** What is done with chosen things wherever they are shown. */
function things(event: KeyboardEvent, session: SheetSession): boolean {
  // A letter is where its keyboard has it; a bracket, which some keyboards have not, where it would be.
  const key = event.code.startsWith("Bracket") ? event.code : event.key.toLowerCase();
  const act = THINGS[`${event.shiftKey ? "Shift+" : ""}${key}`];
  act?.(session);
  return act !== undefined;
}

const THINGS: Record<string, (session: SheetSession) => void> = {
  BracketRight: (session) => reorderChosen(session, "above"),
  BracketLeft: (session) => reorderChosen(session, "below"),
  "Shift+BracketRight": (session) => reorderChosen(session, "front"),
  "Shift+BracketLeft": (session) => reorderChosen(session, "back"),
  a: (session) => session.chooseAll((path) => !path.hidden),
  c: (session) => void copyChosen(session),
  x: (session) => void cutChosen(session),
  v: (session) => void paste(session),
  d: (session) => void duplicateChosen(session),
};

function plain(event: KeyboardEvent, session: SheetSession, frame: SheetFrame): boolean {
  if (isField(event.target)) return false;
  if (event.key === "Delete" || event.key === "Backspace") {
    if (!onThings(event.target)) return false;
    deleteChosen(session);
    return true;
  }
  if (event.key === "Escape") {
    if (tableState().tool !== "choose" && busy()) return false;
    letGo();
    return true;
  }
  if (!useSingleKeys.getState().on) return false;
  const actions: Record<string, () => void> = {
    ...Object.fromEntries(TOOLS.map(({ tool, digit }) => [digit, () => chooseTool(tool)])),
    l: () => takeLook(session),
    g: () => void giveLook(session),
    m: () => tableState().set({ marks: !tableState().marks }),
    f: () => fitSheet(frame.sheet),
    t: trueSize,
    "+": () => zoomBy(1.25),
    "=": () => zoomBy(1.25),
    "-": () => zoomBy(1 / 1.25),
    "?": () => tableState().set({ keyList: true }),
    ...(onSheet(event.target) && {
      n: () => nextMark("[data-mark=node]", event.shiftKey),
      c: () => nextMark("[data-mark=corner]", event.shiftKey),
    }),
  };
  const action = actions[event.key.length === 1 ? event.key.toLowerCase() : event.key];
  action?.();
  return action !== undefined;
}

/** Give the focus to the next mark of a kind on the paper, or to the one before. */
function nextMark(selector: string, back: boolean) {
  const marks = [...document.querySelectorAll<SVGElement>(`#${PAPER} :is(${selector})`)];
  const here = marks.indexOf(document.activeElement as SVGElement);
  const next = here < 0 ? (back ? marks.length - 1 : 0) : here + (back ? -1 : 1);
  marks[(next + marks.length) % marks.length]?.focus();
}

/** Whether Escape belongs to what the pointer is drawing. */
const busy = () => tableState().draft.length > 0 || tableState().stroke.length > 0;

/** Chosen nodes if there are any, otherwise the chosen paths. */
export function deleteChosen(session: SheetSession) {
  const { chosen, nodes, single } = tableState();
  if (single) {
    tableState().set({ single: null });
    return void session.command({ kind: "remove-singles", singles: [single] });
  }
  const path = chosen.at(-1);
  if (path && nodes.length) {
    tableState().set({ nodes: [] });
    void session.command({ kind: "delete-nodes", path, nodes });
  } else if (chosen.length) {
    choosePaths([]);
    void session.command({ kind: "delete-paths", paths: chosen });
  }
}

function letGo() {
  const { nodes, cutting, picking, tool } = tableState();
  if (cutting || picking) tableState().set({ cutting: false, picking: null });
  else if (tool !== "choose") chooseTool("choose");
  else if (nodes.length) tableState().set({ nodes: [] });
  else choosePaths([]);
  // Back from a mark to the sheet itself.
  if (document.activeElement?.closest(`#${PAPER}`)) document.getElementById(PAPER)!.focus();
}
