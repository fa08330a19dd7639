/** The Tape: the chosen run unrolled straight along a ruler in garment mm. */
import { useEffect, useRef, useState } from "react";

import { useLength } from "@/shared/ui/unit";
import { Panel } from "@/shared/ui/Panel";

import { useChosen } from "../sheet";
import { TAPE } from "./measures";
import { TapeStrip } from "./TapeStrip";

export function Tape({ className }: { className: string }) {
  const { run } = useChosen();
  const { unit } = useLength();
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
      className={`col-span-3 flex h-[132px] min-w-0 items-stretch gap-3 border-t border-base-300 bg-base-200 px-3.5 py-2 max-[899px]:col-span-1 ${run?.tape ? "" : "hidden"} ${className}`}
    >
      <div className="w-[52px] shrink-0 self-center">
        <h2 className="font-bold">Tape</h2>
        {run?.tape && <p className="measure muted">garment {unit}</p>}
      </div>
      <div ref={box} className="min-w-0 flex-1">
        {run?.tape && width > 0 && <TapeStrip key={run.id} run={run} width={width} />}
      </div>
    </Panel>
  );
}
