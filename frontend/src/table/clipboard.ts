/** Copy, cut and paste of paths: kept in this browser, so that they can be pasted on another sheet. */
import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import { announce } from "@/shared/announce";
import type { ClipDoc } from "@/shared/api/types";
import { plural } from "@/shared/ui/words";

import type { SheetSession } from "./sheet";
import { choosePaths, tableState } from "./state";

const KEPT = "curlet-clip";

function tell(text: string) {
  tableState().set({ notice: { tone: "fault", text } });
}

/** The copy that is under way: a paste that follows at once waits for it. */
let copying: Promise<boolean> = Promise.resolve(true);

/** Whether the chosen paths were copied. */
export function copyChosen(session: SheetSession): Promise<boolean> {
  copying = copied(session);
  return copying;
}

async function copied(session: SheetSession): Promise<boolean> {
  const { chosen } = tableState();
  if (!chosen.length) {
    tell("Nothing is chosen. Choose paths to copy first.");
    return false;
  }
  try {
    const clip = await api.clip(session.id, [...chosen]);
    localStorage.setItem(KEPT, JSON.stringify(clip));
    announce(`${plural(chosen.length, "path")} copied`);
    return true;
  } catch (error) {
    tell(error instanceof Refusal ? error.message : "This is too much to copy. Copy fewer paths.");
    return false;
  }
}

export async function cutChosen(session: SheetSession) {
  const { chosen } = tableState();
  if (!(await copyChosen(session))) return;
  choosePaths([]);
  await session.command({ kind: "delete-paths", paths: [...chosen] });
}

export async function paste(session: SheetSession) {
  if (!(await copying)) return;
  const kept = localStorage.getItem(KEPT);
  if (!kept) return tell("Nothing is copied. Choose paths and copy them first.");
  const known = new Set(session.kept().map((path) => path.id));
  const refusal = await session.command({ kind: "paste", clip: JSON.parse(kept) as ClipDoc });
  if (!refusal) session.chooseAll((path) => !known.has(path.id));
}

export async function duplicateChosen(session: SheetSession) {
  const { chosen } = tableState();
  if (!chosen.length) return;
  const known = new Set(session.kept().map((path) => path.id));
  const refusal = await session.command({ kind: "duplicate-paths", paths: [...chosen] });
  if (!refusal) session.chooseAll((path) => !known.has(path.id));
}
