/** Keys of the Table. Fields keep their own keys. */
import { useEffect } from "react";

import { chooseTool, fitSheet, trueSize, zoomBy } from "./HeadStrip";
import { type Desk, useDesk, useShown } from "./sheet";
import { choosePaths, hand } from "./state";
import { TOOLS } from "./tools/tools";
import type { SheetFrame } from "@/shared/api/types";

const isField = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches("input:not([type=radio]):not([type=checkbox]), select, textarea");

export function useKeys() {
  const desk = useDesk();
  const { head } = useShown();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isField(event.target) || document.querySelector("dialog[open]") || event.altKey) return;
      const done = event.ctrlKey || event.metaKey ? control(event, desk) : plain(event, desk, head);
      if (done) event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [desk, head]);
}

function control(event: KeyboardEvent, desk: Desk): boolean {
  const key = event.key.toLowerCase();
  if (key === "z" && !event.shiftKey) void desk.undo();
  else if (key === "y" || key === "z") void desk.redo();
  else return false;
  return true;
}

function plain(event: KeyboardEvent, desk: Desk, head: SheetFrame): boolean {
  const actions: Record<string, () => void> = {
    ...Object.fromEntries(TOOLS.map(({ tool, digit }) => [digit, () => chooseTool(tool)])),
    m: () => hand().set({ marks: !hand().marks }),
    f: () => fitSheet(head.sheet),
    t: trueSize,
    "+": () => zoomBy(1.25),
    "=": () => zoomBy(1.25),
    "-": () => zoomBy(1 / 1.25),
    Delete: () => deleteChosen(desk),
    Backspace: () => deleteChosen(desk),
    Escape: () => letGo(),
  };
  const action = actions[event.key.length === 1 ? event.key.toLowerCase() : event.key];
  if (!action || hand().tool !== "choose" && busy() && event.key === "Escape") return false;
  action();
  return true;
}

/** Whether Escape belongs to what the hand is drawing. */
const busy = () => hand().draft.length > 0 || hand().stroke.length > 0;

/** Chosen nodes if there are any, otherwise the chosen paths. */
export function deleteChosen(desk: Desk) {
  const { chosen, nodes, single } = hand();
  if (single) {
    hand().set({ single: null });
    return void desk.command({ kind: "remove-singles", singles: [single] });
  }
  const path = chosen.at(-1);
  if (path && nodes.length) {
    hand().set({ nodes: [] });
    void desk.command({ kind: "delete-nodes", path, nodes });
  } else if (chosen.length) {
    choosePaths([]);
    void desk.command({ kind: "delete-paths", paths: chosen });
  }
}

function letGo() {
  const { nodes, cutting, tool } = hand();
  if (cutting) hand().set({ cutting: false });
  else if (tool !== "choose") chooseTool("choose");
  else if (nodes.length) hand().set({ nodes: [] });
  else choosePaths([]);
}
