/** The Tape: the chosen run unrolled straight along a ruler in garment mm. */
import { useEffect, useRef, useState } from "react";

import type { RunShown } from "@/shared/api/types";
import { Panel } from "@/shared/ui/Panel";
import { stop } from "@/shared/ui/stops";
import { useLength } from "@/shared/ui/unit";

import { repeatKey } from "../repeats";
import { useChosen } from "../sheet";
import { useTableState } from "../state";
import { CornerPicture } from "./CornerPicture";
import { TAPE } from "./measures";
import { TapeStrip } from "./TapeStrip";
import { type ChosenPlace, type TapeScroll, useTapeWindow } from "./useTapeWindow";

export function Tape({ className }: { className: string }) {
  const { run } = useChosen();
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, []);
  return (
    <Panel
      id={TAPE}
      label="Tape"
      across
      hidden={!run?.tape}
      className={`col-span-3 min-w-0 border-t border-base-300 bg-base-200 px-3.5 py-1.5 max-[899px]:col-span-1 ${run?.tape ? "" : "hidden"} ${className}`}
    >
      <div ref={box} className="min-w-0">
        {run?.tape && width > 0 && <Unrolled key={run.id} run={run} width={width} />}
      </div>
    </Panel>
  );
}

const HEAD = 64;
/** A corner's picture with the space before it; narrower Tapes have none. */
const PICTURE = 128;
const LEAST = 700;

function Unrolled({ run, width }: { run: RunShown; width: number }) {
  const { unit } = useLength();
  const key = useTableState((state) => (state.place?.kind === "corner" ? state.place.key : null));
  const corner = width > LEAST ? run.corners?.find(({ node }) => node === key) : undefined;
  const room = width - HEAD - (corner ? PICTURE : 0);
  const scroll = useTapeWindow(run, room, useChosenPlace(run));
  return (
    <div className="flex items-center gap-3">
      <div className="shrink-0" style={{ width: HEAD - 12 }}>
        <h2 className="font-bold">Tape</h2>
        <p className="measure muted">garment {unit}</p>
        <Zoom scroll={scroll} />
      </div>
      <TapeStrip run={run} scroll={scroll} width={room} />
      {corner && <CornerPicture run={run} corner={corner} />}
    </div>
  );
}

/** The corner or the repeat that is chosen, and where on the run it lies. */
function useChosenPlace(run: RunShown): ChosenPlace | null {
  const place = useTableState((state) => state.place);
  const corner = place?.kind === "corner" && run.corners?.find(({ node }) => node === place.key);
  const repeat = place?.kind === "repeat" && run.repeats?.find((each) => repeatKey(each) === place.key);
  const found = corner || repeat;
  return place && found ? { key: place.key, at: found.at } : null;
}

function Zoom({ scroll }: { scroll: TapeScroll }) {
  const buttons = [
    ["−", "Smaller on the Tape", () => scroll.zoom(1 / 1.5)],
    ["+", "Larger on the Tape", () => scroll.zoom(1.5)],
    ["All", "All of the run on the Tape", scroll.all],
  ] as const;
  return (
    <div className="mt-1 flex flex-wrap gap-0.5">
      {buttons.map(([text, name, act]) => (
        <button
          {...stop}
          key={name}
          aria-label={name}
          title={name}
          className="h-6 min-w-6 cursor-pointer rounded-field border border-(--edge) px-1 hover:border-base-content"
          onClick={act}
        >
          {text}
        </button>
      ))}
    </div>
  );
}
