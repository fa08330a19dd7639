/** The pointer with the Lettering tool: the text follows the pointer and is written where it is pressed. */
import type { Intent } from "@/shared/api/types";

import { sheetSpot } from "../../paper/paperPointer";
import { landing } from "../../paper/snap";
import { onPress } from "../../paper/twoFingers";
import { type SheetSession, useSheetSession } from "../../sheet";
import { tableState, type Writing } from "../../state";
import type { Spot } from "../../view";

/** Where text goes: its first line begins there, or its middle lies there. */
type Place = Spot & { about?: boolean };

export function writeText(writing: Writing, place: Place | undefined, along: string | null = null): Intent {
  const { text, font, align, unite, numbers } = writing;
  const at = place ? { x: place.x, y: place.y, about: place.about } : {};
  return { kind: "write-lettering", text, font, align, unite, entered: numbers, along, ...at };
}

/** Write it, and choose all of it. */
export async function keepText(session: SheetSession, place: Place | undefined, along: string | null = null) {
  const known = new Set(session.kept().map((path) => path.id));
  const refusal = await session.command(writeText(tableState().writing, place, along));
  if (!refusal) session.chooseAll((path) => !known.has(path.id));
}

export function useLetteringPointer() {
  const session = useSheetSession();
  const land = (event: React.PointerEvent) => landing(sheetSpot(event), session.frame);
  return {
    ...onPress((event) => void keepText(session, land(event))),
    onPointerMove: (event: React.PointerEvent) => {
      const at = land(event);
      tableState().set({ pointer: at, on: at.on });
      if (!event.buttons) session.preview(writeText(tableState().writing, at));
    },
    onPointerLeave: () => {
      tableState().set({ pointer: null, on: null });
      session.dropPreviews(true);
    },
  };
}
