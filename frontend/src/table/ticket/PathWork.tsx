/** Paths made from the chosen ones: copied beside, mirrored, split, joined, simplified. */
import { useState } from "react";

import type { Intent } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";

import { useChosen, useSheetSession } from "../sheet";
import { useTableState } from "../state";
import { FormRow } from "./FormRow";

const SIDES = [
  ["right", "To the right"],
  ["left", "To the left"],
  ["both", "Both"],
] as const;
const CORNERS = [
  ["sharp", "Sharp corners"],
  ["round", "Round"],
] as const;
/** Done when its button is pressed; what it would do is shown while its number is entered. */
export function Beside({ ids }: { ids: string[] }) {
  const [distance, setDistance] = useState("10 mm");
  const [side, setSide] = useState<(typeof SIDES)[number][0]>("right");
  const [corners, setCorners] = useState<(typeof CORNERS)[number][0]>("sharp");
  const copy = (entered: string): Intent => ({ kind: "parallel-copy", paths: ids, distance: entered, side, corners });
  return (
    <Decision id="parallel" label="Parallel" set="copy beside it">
      <Choice label="Side of the copy" options={SIDES} value={side} onChange={setSide} />
      <div className="mt-1">
        <Choice label="Corners of the copy" options={CORNERS} value={corners} onChange={setCorners} />
      </div>
      <FormRow label="Distance" value={distance} step={1} onTyped={setDistance} intent={copy}>
        Copy
      </FormRow>
    </Decision>
  );
}

export function Rework({ ids }: { ids: string[] }) {
  const session = useSheetSession();
  const { path, paths } = useChosen();
  const chosen = useTableState((state) => state.nodes);
  const [first, second] = paths;
  const open = paths.every((item) => !item.closed);
  return (
    <Decision
      id="rework"
      label="Change"
      set={ids.length > 1 ? "duplicate, reverse, join" : "duplicate, reverse, split"}
    >
      <div className="flex flex-wrap gap-1">
        <QuietButton onClick={() => session.command({ kind: "duplicate-paths", paths: ids })}>Duplicate</QuietButton>
        <QuietButton onClick={() => session.command({ kind: "reverse-paths", paths: ids })}>Reverse</QuietButton>
        {ids.length === 1 && (
          <QuietButton onClick={() => session.command({ kind: "split-path", path: path!.id, nodes: [...chosen] })}>
            Split at {chosen.length ? (chosen.length > 1 ? "these nodes" : "the node") : "its corners"}
          </QuietButton>
        )}
        {open && ids.length === 1 && (
          <QuietButton onClick={() => session.command({ kind: "join-paths", paths: ids })}>Close it</QuietButton>
        )}
        {open && second && ids.length === 2 && (
          <QuietButton onClick={() => session.command({ kind: "join-paths", paths: [first!.id, second.id] })}>
            Join the two
          </QuietButton>
        )}
      </div>
    </Decision>
  );
}

export function Simplify({ ids }: { ids: string[] }) {
  const [within, setWithin] = useState("0.5 mm");
  const simplify = (entered: string): Intent => ({ kind: "simplify-paths", paths: ids, within: entered });
  return (
    <Decision id="simplify" label="Simplify" set={`fewer nodes, within ${within}`}>
      <FormRow label="Within" value={within} step={0.1} onTyped={setWithin} intent={simplify}>
        Simplify
      </FormRow>
    </Decision>
  );
}
