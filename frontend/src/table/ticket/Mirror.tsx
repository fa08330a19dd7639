/** Mirrored copies, and live halves: either follows what is done to the other. */
import { useState } from "react";

import type { PathShown } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Tick } from "@/shared/ui/Tick";

import { useChosen, useFrame, useSheetSession } from "../sheet";

const ABOUT = [
  ["left", "Its left side"],
  ["right", "Its right side"],
  ["top", "Its top"],
  ["foot", "Its bottom"],
  ["middle", "The sheet’s middle"],
] as const;

/** The other half of a path; none where it is no live half. */
export function otherHalf(paths: readonly PathShown[], path: PathShown): PathShown | undefined {
  return paths.find((item) => item.id === path.half || item.half === path.id);
}

export function Mirror({ ids }: { ids: string[] }) {
  const session = useSheetSession();
  const { paths: every } = useFrame("paths");
  const { path, paths } = useChosen();
  const [live, setLive] = useState(false);
  const other = otherHalf(every, path!);
  const linked = paths.filter((item) => otherHalf(every, item));
  const free = !linked.length;
  return (
    <Decision id="mirror" label="Mirror" set={other ? `live with ${other.name}` : "copy about a line"}>
      {free && (
        <>
          <div className="flex flex-wrap gap-1">
            {ABOUT.map(([about, words]) => (
              <QuietButton
                key={about}
                onClick={() => session.command({ kind: "mirror-paths", paths: ids, about, live })}
              >
                {words}
              </QuietButton>
            ))}
          </div>
          <div className="mt-1">
            <Tick label="Each half follows the other from then on" on={live} onChange={setLive} />
          </div>
          {ids.length === 2 && (
            <div className="mt-1">
              <QuietButton onClick={() => session.command({ kind: "link-halves", paths: ids })}>
                Make {paths[1]!.name} the live half of {paths[0]!.name}
              </QuietButton>
            </div>
          )}
        </>
      )}
      {!free && (
        <>
          <p className="muted mt-1 text-[12px]">
            What is done to one half, its line, fill or brushes, is done to the other. Moved together, both keep their
            line between them.
          </p>
          <div className="mt-1">
            <QuietButton onClick={() => session.command({ kind: "cut-loose", paths: linked.map((item) => item.id) })}>
              Cut loose
            </QuietButton>
          </div>
        </>
      )}
    </Decision>
  );
}
