/** The hand with the Lettering tool: the text follows the pointer and is written where it is pressed. */
import type { Intent } from "@/shared/api/types";

import { sheetSpot } from "../../paper/paperHand";
import { landing } from "../../paper/snap";
import { type Desk, useDesk, useShown } from "../../sheet";
import { hand, type Writing } from "../../state";
import type { Spot } from "../../view";

/** Where text goes: its first line begins there, or its middle lies there. */
type Place = Spot & { about?: boolean };

export function writeText(writing: Writing, place: Place | undefined, along: string | null = null): Intent {
  const { text, font, align, unite, numbers } = writing;
  const at = place ? { x: place.x, y: place.y, about: place.about } : {};
  return { kind: "write-lettering", text, font, align, unite, typed: numbers, along, ...at };
}

/** Write it, and choose all of it. */
export async function keepText(desk: Desk, place: Place | undefined, along: string | null = null) {
  const known = new Set(desk.kept().map((path) => path.id));
  const refusal = await desk.command(writeText(hand().writing, place, along));
  if (!refusal) desk.chooseAll((path) => !known.has(path.id));
}

export function useLetteringHand() {
  const desk = useDesk();
  const { head } = useShown();
  const land = (event: React.PointerEvent) => landing(sheetSpot(event), head);
  return {
    onPointerDown: (event: React.PointerEvent) => {
      if (event.button === 0) void keepText(desk, land(event));
    },
    onPointerMove: (event: React.PointerEvent) => {
      const at = land(event);
      hand().set({ pointer: at, on: at.on });
      if (!event.buttons) desk.preview(writeText(hand().writing, at));
    },
    onPointerLeave: () => {
      hand().set({ pointer: null, on: null });
      desk.dropPreviews(true);
    },
  };
}
