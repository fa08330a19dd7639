/** The run's own artwork along the Tape, as far as it is seen and some way beyond. */
import { useEffect, useMemo, useRef, useState } from "react";

import type { RunShown, TapeFrame } from "@/shared/api/types";
import { Newest } from "@/shared/newest";
import { Painted } from "@/shared/draw/Painted";

import { useFrame, useSheetSession } from "../sheet";
import { CLOTH, PAD, type TapeWindow } from "./measures";

interface Props {
  run: RunShown;
  window: TapeWindow;
  width: number;
}

export function TapeArt({ run, window: { from, perMm }, width }: Props) {
  const { factor } = useFrame("sheet").sheet;
  const across = width / perMm;
  // In steps of half of what is seen, so that scrolling asks seldom.
  const step = across / 2;
  const low = Math.floor((from - PAD / perMm) / step) * step - step;
  const art = useArt(run, low, low + across + 3 * step);
  const groups = useMemo(() => (art ? [art.group] : []), [art]);
  const at = useMemo(() => ({ zoom: perMm / factor, x: PAD - from * perMm, y: CLOTH }), [perMm, factor, from]);
  return <Painted groups={groups} width={width} height={2 * CLOTH} at={at} />;
}

/** The artwork of a run as it is shown now; until it is there, what there was. */
function useArt(run: RunShown, low: number, high: number): TapeFrame | null {
  const session = useSheetSession();
  const [art, setArt] = useState<TapeFrame | null>(null);
  const asking = useRef(new Newest());
  useEffect(() => {
    asking.current.ask(async (signal) => setArt(await session.tapeOf(run.id, low, high, signal)));
  }, [session, run, low, high]);
  useEffect(() => {
    const newest = asking.current;
    return () => newest.drop();
  }, []);
  return art?.run === run.id ? art : null;
}
