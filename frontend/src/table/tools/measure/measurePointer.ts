/** The pointer with the Measure tool: places are pressed, the server tells what lies between them. */
import { useEffect } from "react";

import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import type { MarkDoc } from "@/shared/api/types";

import { sheetSpot } from "../../paper/paperPointer";
import { landing } from "../../paper/snap";
import { onPress } from "../../paper/twoFingers";
import { useChosen, useSheetSession, useFrame } from "../../sheet";
import { tableState, useTableState } from "../../state";
import type { Spot } from "../../view";

/** How many places each needs; the radius of a path needs one on it. */
const WANTED = { straight: 2, along: 2, angle: 3, radius: 3 } as const;

/** What is measured with the places pressed so far, and the pointer for the next. */
export function useMark(places: readonly Spot[]): MarkDoc | null {
  const what = useTableState((state) => state.measuring);
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
  const { measuring, places } = useTableState();
  const wanted = measuring === "radius" && path ? 1 : WANTED[measuring];
  return ({ x, y }: Spot) => tableState().set({ places: places.length >= wanted ? [{ x, y }] : [...places, { x, y }] });
}

export function useMeasurePointer() {
  const session = useSheetSession();
  const places = useTableState((state) => state.places);
  const next = useNextPlace();
  const land = (event: React.PointerEvent) =>
    landing(sheetSpot(event), session.frame, { from: places.at(-1), straight: event.shiftKey });
  return {
    ...onPress((event) => next(land(event))),
    onPointerMove: (event: React.PointerEvent) => {
      const at = land(event);
      tableState().set({ pointer: at, on: at.on });
    },
    onPointerLeave: () => tableState().set({ pointer: null, on: null }),
  };
}

/** Asks what the mark measures whenever it changes; the newest answer wins. */
export function useMeasured(mark: MarkDoc | null) {
  const session = useSheetSession();
  const frame = useFrame("revision");
  const key = mark && JSON.stringify(mark);
  useEffect(() => {
    if (!key) return tableState().set({ measured: null });
    const abort = new AbortController();
    api
      .measure(session.id, JSON.parse(key) as MarkDoc, abort.signal)
      .then((measured) => tableState().set({ measured }))
      .catch((error: unknown) => {
        if (error instanceof Refusal)
          tableState().set({
            measured: { text: "", paper: "", value: 0, angle: false, line: [], fault: error.message },
          });
      });
    return () => abort.abort();
  }, [key, session, frame.revision]);
}
