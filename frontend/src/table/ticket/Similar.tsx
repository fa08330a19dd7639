/** Choose every path that is like the chosen one in some respect. */
import { useState } from "react";

import { api, type By } from "@/shared/api/client";
import { Decision } from "@/shared/maker/Decision";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Pick } from "@/shared/ui/Pick";

import { useChosen, useSheetSession } from "../sheet";
import { choosePaths, tableState } from "../state";

const ALIKE: readonly [By, string][] = [
  ["group", "its seam group"],
  ["mark", "its mark colour"],
  ["brush", "its brush or look"],
  ["shade", "the shades of its threads"],
  ["thread", "the colours of its threads"],
  ["colour", "its line colour as drawn"],
  ["style", "its line style as drawn"],
  ["length", "its length, give or take"],
];

function tell(wrong: string | null) {
  if (wrong) tableState().set({ notice: { tone: "fault", text: wrong } });
}

/** Stays while paths are chosen by it, so that another tolerance can be tried. */
export function Similar() {
  const session = useSheetSession();
  const { path } = useChosen();
  const [by, setBy] = useState<By | "">("");
  const [within, setWithin] = useState("5 mm");
  const find = async (by: By, within: string): Promise<string | null> => {
    setBy(by);
    try {
      const { paths } = await api.similar(session.id, path!.id, by, within);
      setWithin(within);
      // The one that it was asked of stays the one on the Ticket.
      choosePaths([...paths.filter((id) => id !== path!.id), path!.id]);
      if (paths.length === 1) tableState().set({ notice: { tone: "word", text: "No other path is like this one." } });
      return null;
    } catch (error) {
      return error instanceof Error ? error.message : String(error);
    }
  };
  return (
    <Decision id="similar" label="Select" set="alike paths">
      <div className="flex items-center gap-2">
        <label htmlFor="alike">Select alike in</label>
        <Pick
          label="Select alike in"
          id="alike"
          className="min-w-0 flex-1"
          value=""
          onPick={(picked) => void find(picked as By, within).then(tell)}
        >
          <option value="" disabled>
            …
          </option>
          {ALIKE.map(([by, words]) => (
            <option key={by} value={by}>
              {words}
            </option>
          ))}
        </Pick>
      </div>
      {by === "length" && (
        <NumberLine
          label="Length, give or take"
          value={within}
          step={1}
          onCommit={(entered) => find("length", entered)}
        />
      )}
    </Decision>
  );
}
