/** The window of the Tape: the wheel and a drag scroll it, with Ctrl the wheel zooms it. */
import { useEffect, useState } from "react";

import type { RunShown } from "@/shared/api/types";
import { slotsOf } from "@/shared/api/frame";

import { firstWindow, kept, PAD, type TapeWindow, zoomed } from "./measures";

export interface TapeScroll {
  window: TapeWindow;
  move: (by: number) => void;
  show: (from: number) => void;
  zoom: (factor: number, x?: number) => void;
  all: () => void;
}

/** A place that comes into the window once it is chosen: what it is known by, and where it lies, garment mm. */
export interface ChosenPlace {
  key: string;
  at: number;
}

export function useTapeWindow(run: RunShown, width: number, chosen: ChosenPlace | null): TapeScroll {
  const tape = run.tape!;
  const repeat = pitchOf(run);
  const [asked, setAsked] = useState<TapeWindow | null>(null);
  const window = kept(asked ?? firstWindow(tape, repeat, width), tape, repeat, width);
  const ask = (next: TapeWindow) => setAsked(kept(next, tape, repeat, width));
  const [brought, setBrought] = useState<string | null>(null);
  if (brought !== (chosen?.key ?? null)) {
    setBrought(chosen?.key ?? null);
    const wide = (width - 2 * PAD) / window.perMm;
    const seen = chosen && chosen.at >= window.from && chosen.at <= window.from + wide;
    if (chosen && !seen) ask({ ...window, from: chosen.at - wide / 2 });
  }
  return {
    window,
    move: (by) => ask({ ...window, from: window.from + by / window.perMm }),
    show: (from) => ask({ ...window, from }),
    zoom: (factor, x = width / 2) => ask(zoomed(window, factor, x)),
    all: () => ask({ from: tape.start, perMm: 0 }),
  };
}

/** How long a repeat with its gap is, garment mm: the first one. */
function pitchOf(run: RunShown): number | null {
  const slots = slotsOf(run);
  if (!slots?.length) return null;
  return (slots.length > 2 ? slots[2]! : slots[1]!) - slots[0]! || null;
}

/** The wheel over the Tape; not passive, so that the page stays. */
export function useTapeWheel(box: React.RefObject<HTMLElement | null>, scroll: TapeScroll) {
  useEffect(() => {
    const element = box.current!;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const x = Math.max(event.clientX - element.getBoundingClientRect().left, PAD);
      if (event.ctrlKey || event.metaKey) scroll.zoom(Math.exp(-event.deltaY / 400), x);
      else scroll.move(event.deltaX || event.deltaY);
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  });
}
