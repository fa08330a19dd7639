/** Where the chosen paths lie in the order of what is painted. */
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";

import { reorderChosen, WHERE } from "../order";
import { useSheetSession } from "../sheet";

export function Stacking() {
  const session = useSheetSession();
  return (
    <Decision id="stacking" label="Stacking" set="to the front, to the back">
      <p className="muted mb-1 text-[12px]">With its stitching. In the list of paths, drag it to its place.</p>
      <div className="flex flex-wrap gap-1">
        {WHERE.map(([to, words]) => (
          <QuietButton key={to} onClick={() => reorderChosen(session, to)}>
            {words}
          </QuietButton>
        ))}
      </div>
    </Decision>
  );
}
