/** Looks taken up from a run and given to others: kept in this browser, so that they can be given on another sheet. */
import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import { announce } from "@/shared/announce";
import type { TakenLook } from "@/shared/api/types";

import type { SheetSession } from "./sheet";
import { tableState } from "./state";

const KEPT = "curlet-taken-look";

function tell(text: string) {
  tableState().set({ notice: { tone: "fault", text } });
}

/** The topmost run of the path that was chosen last, or the one that was picked there. */
function runChosen(session: SheetSession): string | null {
  const { chosen, run } = tableState();
  const runs = session.frame.runs.filter((item) => item.path === chosen.at(-1));
  return (runs.find((item) => item.id === run) ?? runs.at(-1))?.id ?? null;
}

/** The look that is on its way: one that is given at once waits for it. */
let taking: Promise<boolean> = Promise.resolve(true);

export function takeLook(session: SheetSession): void {
  taking = taken(session);
}

async function taken(session: SheetSession): Promise<boolean> {
  const run = runChosen(session);
  if (!run) {
    tell("Nothing with a brush is chosen. Choose a path that has the look first.");
    return false;
  }
  try {
    localStorage.setItem(KEPT, JSON.stringify(await api.look(session.id, run)));
    const name = session.frame.brushes.find(
      (brush) => brush.id === session.frame.runs.find((item) => item.id === run)?.brush,
    )?.name;
    const text = `The look of ${name ?? "this run"} is taken up. Choose paths and give it to them: G.`;
    tableState().set({ notice: { tone: "word", text } });
    announce(text);
    return true;
  } catch (error) {
    tell(error instanceof Refusal ? error.message : "This look could not be taken up.");
    return false;
  }
}

export async function giveLook(session: SheetSession): Promise<void> {
  if (!(await taking)) return;
  const { chosen } = tableState();
  const kept = localStorage.getItem(KEPT);
  if (!kept) return tell("No look is taken up. Choose a path that has one and take it up first: L.");
  if (!chosen.length) return tell("Nothing is chosen. Choose the paths to give the look to.");
  tableState().set({ run: null, place: null });
  await session.command({ kind: "give-look", paths: [...chosen], taken: JSON.parse(kept) as TakenLook });
}
