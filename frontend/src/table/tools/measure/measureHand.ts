/** The hand with the Measure tool: places are pressed, the server tells what lies between them. */
import { useEffect } from "react";

import { api, Refusal } from "@/shared/api/client";
import type { MarkDoc } from "@/shared/api/types";

import { sheetSpot } from "../../paper/paperHand";
import { landing } from "../../paper/snap";
import { useChosen, useDesk, useShown } from "../../sheet";
import { hand, useHand } from "../../state";
import type { Spot } from "../../view";

/** How many places each needs; the radius of a path needs one on it. */
const WANTED = { straight: 2, along: 2, angle: 3, radius: 3 } as const;

/** What is measured with the places pressed so far, and the pointer for the next. */
export function useMark(places: readonly Spot[]): MarkDoc | null {
  const what = useHand((state) => state.measuring);
  const { path } = useChosen();
  const bend = what === "radius" && path !== null;
  const wanted = bend ? 1 : WANTED[what];
  if (places.length < wanted || (what === "along" && !path)) return null;
  return {
    what,
    places: places.slice(0, wanted).map(({ x, y }) => [x, y]),
    path: what === "along" || bend ? path!.id : null,
  };
}

/** Takes one place more, or the first of a new measurement. */
export function useNextPlace() {
  const { path } = useChosen();
  const { measuring, places } = useHand();
  const wanted = measuring === "radius" && path ? 1 : WANTED[measuring];
  return ({ x, y }: Spot) => hand().set({ places: places.length >= wanted ? [{ x, y }] : [...places, { x, y }] });
}

export function useMeasureHand() {
  const { head } = useShown();
  const places = useHand((state) => state.places);
  const next = useNextPlace();
  const land = (event: React.PointerEvent) =>
    landing(sheetSpot(event), head, { from: places.at(-1), straight: event.shiftKey });
  return {
    onPointerDown: (event: React.PointerEvent) => {
      if (event.button === 0) next(land(event));
    },
    onPointerMove: (event: React.PointerEvent) => {
      const at = land(event);
      hand().set({ pointer: at, on: at.on });
    },
    onPointerLeave: () => hand().set({ pointer: null, on: null }),
  };
}

/** Asks what the mark measures whenever it changes; the newest answer wins. */
export function useMeasured(mark: MarkDoc | null) {
  const desk = useDesk();
  const { head } = useShown();
  const key = mark && JSON.stringify(mark);
  useEffect(() => {
    if (!key) return hand().set({ measured: null });
    const abort = new AbortController();
    api
      .measure(desk.id, JSON.parse(key) as MarkDoc, abort.signal)
      .then((measured) => hand().set({ measured }))
      .catch((error: unknown) => {
        if (error instanceof Refusal) hand().set({ measured: { text: "", printed: "", value: 0, angle: false, line: [], fault: error.message } });
      });
    return () => abort.abort();
  }, [key, desk, head.revision]);
}
