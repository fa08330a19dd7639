/** The Tape: the chosen run unrolled straight along a ruler in garment mm. */
import { useEffect, useRef, useState } from "react";

import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";

import { useChosen } from "../sheet";
import { TapeStrip } from "./TapeStrip";

export function Tape() {
  const { path, run } = useChosen();
  const { unit, text } = useLength();
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, []);
  return (
    <section
      aria-label="Tape"
      className="col-span-3 flex min-w-0 items-stretch gap-3 border-t border-base-300 bg-base-200 px-3.5 py-2"
    >
      <div className="w-[52px] shrink-0 self-center">
        <h2 className="font-bold">Tape</h2>
        {run?.tape && <p className="measure muted">garment {unit}</p>}
      </div>
      <div ref={box} className="min-w-0 flex-1">
        {run?.tape && width > 0 && <TapeStrip key={run.id} run={run} width={width} />}
        {!run?.tape && (
          <p className="muted grid h-full items-center">
            {path
              ? `${path.name} is bare, ${text(path.length.garment, 1)} with ${plural(path.corners.length, "corner")}. Lay a brush on it to see its stitches unrolled here.`
              : "Choose a path with a brush: its run is unrolled here, with legs, corners and what is left over."}
          </p>
        )}
      </div>
    </section>
  );
}
