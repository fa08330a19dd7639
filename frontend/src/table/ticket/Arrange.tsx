/** Where the chosen paths lie: aligned, spaced, turned, resized. */
import { useState } from "react";

import { Heading } from "@/shared/maker/Heading";
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
  const [angle, setAngle] = useState("90°");
  const [size, setSize] = useState("50 %");
  return (
    <>
      <Heading>{ids.length > 1 ? "Bring them to one line" : "Bring it to the sheet’s"}</Heading>
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
      <Heading>Turn and resize</Heading>
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
    </>
  );
}
