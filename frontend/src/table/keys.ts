/** Keys of the Table. Fields keep their own keys. */
import { useEffect } from "react";

import { chooseTool, fitSheet, trueSize, zoomBy } from "./HeadStrip";
import { type SheetSession, useSheetSession } from "./sheet";
import { choosePaths, tableState } from "./state";
import { TOOLS } from "./tools/tools";
import type { SheetFrame } from "@/shared/api/types";

const isField = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches("input:not([type=radio]):not([type=checkbox]), select, textarea");

export function useKeys() {
  const session = useSheetSession();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isField(event.target) || document.querySelector("dialog[open]") || event.altKey) return;
      const done = event.ctrlKey || event.metaKey ? control(event, session) : plain(event, session, session.frame);
      if (done) event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [session]);
}

function control(event: KeyboardEvent, session: SheetSession): boolean {
  const key = event.key.toLowerCase();
  if (key === "z" && !event.shiftKey) void session.undo();
  else if (key === "y" || key === "z") void session.redo();
  else return false;
  return true;
}

function plain(event: KeyboardEvent, session: SheetSession, frame: SheetFrame): boolean {
  const actions: Record<string, () => void> = {
    ...Object.fromEntries(TOOLS.map(({ tool, digit }) => [digit, () => chooseTool(tool)])),
    m: () => tableState().set({ marks: !tableState().marks }),
    f: () => fitSheet(frame.sheet),
    t: trueSize,
    "+": () => zoomBy(1.25),
    "=": () => zoomBy(1.25),
    "-": () => zoomBy(1 / 1.25),
    Delete: () => deleteChosen(session),
    Backspace: () => deleteChosen(session),
    Escape: () => letGo(),
  };
  const action = actions[event.key.length === 1 ? event.key.toLowerCase() : event.key];
  if (!action || (tableState().tool !== "choose" && busy() && event.key === "Escape")) return false;
  action();
  return true;
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
  const { nodes, cutting, tool } = tableState();
  if (cutting) tableState().set({ cutting: false });
  else if (tool !== "choose") chooseTool("choose");
  else if (nodes.length) tableState().set({ nodes: [] });
  else choosePaths([]);
}
