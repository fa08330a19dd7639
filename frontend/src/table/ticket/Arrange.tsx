/** Where the chosen paths lie: aligned and spaced, turned and resized. */
import { useState } from "react";

import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";

import { useChosen, useSheetSession } from "../sheet";
import { FormRow } from "./FormRow";

const LINES = [
  ["left", "Left"],
  ["centre", "Centre"],
  ["right", "Right"],
  ["top", "Top"],
  ["middle", "Middle"],
  ["foot", "Foot"],
] as const;

export function Arrange() {
  const session = useSheetSession();
  const { paths } = useChosen();
  const ids = paths.map((path) => path.id);
  return (
    <Decision id="align" label="Align" set={ids.length > 1 ? "to one another" : "to the sheet"}>
      <div className="flex flex-wrap gap-1">
        {LINES.map(([to, words]) => (
          <QuietButton key={to} onClick={() => session.command({ kind: "align-paths", paths: ids, to })}>
            {words}
          </QuietButton>
        ))}
        {ids.length > 2 &&
          (["across", "down"] as const).map((way) => (
            <QuietButton key={way} onClick={() => session.command({ kind: "spread-paths", paths: ids, way })}>
              Space evenly {way}
            </QuietButton>
          ))}
      </div>
    </Decision>
  );
}

export function TurnAndResize() {
  const { paths } = useChosen();
  const ids = paths.map((path) => path.id);
  const [angle, setAngle] = useState("90°");
  const [size, setSize] = useState("50 %");
  return (
    <Decision id="turn" label="Turn" set="or resize">
      <FormRow
        label="Clockwise by"
        value={angle}
        step={1}
        onTyped={setAngle}
        intent={(entered) => ({ kind: "turn-paths", paths: ids, angle: entered, size: "100 %" })}
      >
        Turn
      </FormRow>
      <FormRow
        label="To"
        value={size}
        step={1}
        onTyped={setSize}
        intent={(entered) => ({ kind: "turn-paths", paths: ids, angle: "0", size: entered })}
      >
        Resize
      </FormRow>
    </Decision>
  );
}
