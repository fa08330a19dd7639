/** The Measure tool's card: what is measured, the answer, and what can be done with it. */
import { useState } from "react";

import type { MarkDoc } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";
import { NumberField } from "@/shared/ui/NumberField";
import { Pick } from "@/shared/ui/Pick";

import { useChosen, useSheetSession, useFrame } from "../../sheet";
import { tableState, useTableState } from "../../state";
import { useMark, useMeasured, useNextPlace } from "./measurePointer";

const WHAT = [
  ["straight", "Straight"],
  ["along", "Along the path"],
  ["angle", "Angle"],
  ["radius", "Radius"],
] as const;

const HOW: Record<string, string> = {
  straight: "Press two places.",
  along: "Press two places on the chosen path.",
  angle: "Press three places, the corner second.",
  radius: "Press three places of a circle, or one on the chosen path.",
};

export function MeasureCard() {
  const session = useSheetSession();
  const { path } = useChosen();
  const { measuring, places, measured, calibrating } = useTableState();
  const mark = useMark(places);
  useMeasured(mark);
  const text = measuring === "along" && !path ? "Choose the path first (1), then measure along it." : HOW[measuring];
  return (
    <>
      <h2 className="text-[18px] font-bold">{calibrating ? "Calibrate the picture" : "Measure"}</h2>
      {!calibrating && (
        <div className="mt-1">
          <Choice
            label="What is measured"
            options={WHAT}
            value={measuring}
            onChange={(what) => tableState().set({ measuring: what, places: [] })}
          />
        </div>
      )}
      <p className="muted my-1">
        {calibrating ? "Press the two ends of something on it whose length you know." : text}
      </p>
      <PlaceByNumber />
      {measured?.fault && <p className="mt-1 text-error">{measured.fault}</p>}
      {measured && !measured.fault && (
        <p className="measure my-1 text-[18px] font-bold" data-testid="measured">
          {measured.text}
          {measured.paper && <span className="muted ml-2 text-[12px] font-normal">{measured.paper}</span>}
        </p>
      )}
      {mark && measured && !measured.fault && <Answer mark={mark} drawn={measured.value} angle={measured.angle} />}
      <Kept session={session} />
    </>
  );
}

/** A place without a mouse. */
function PlaceByNumber() {
  const next = useNextPlace();
  const { path } = useChosen();
  if (!path?.nodes.length) return null;
  return (
    <Pick
      label="A node of the chosen path as the next place"
      className="w-full text-[12px]"
      value=""
      onPick={(picked) => next(path.nodes.find((item) => item.id === picked)!)}
    >
      <option value="" disabled>
        A node of {path.name} as the next place …
      </option>
      {path.nodes.map((node, index) => (
        <option key={node.id} value={node.id}>
          Node {index + 1}
        </option>
      ))}
    </Pick>
  );
}

function Answer({ mark, drawn, angle }: { mark: MarkDoc; drawn: number; angle: boolean }) {
  const session = useSheetSession();
  const frame = useFrame("sheet");
  const calibrating = useTableState((state) => state.calibrating);
  const [known, setKnown] = useState("100 mm");
  const [start, finish] = mark.places as [[number, number], [number, number]];
  const use = async () => {
    const refusal = calibrating
      ? await session.command({ kind: "calibrate-guide", guide: calibrating, start, finish, length: known })
      : await session.command({ kind: "scale-by-length", drawn, length: known });
    if (!refusal) tableState().set({ places: [], calibrating: null });
  };
  return (
    <>
      {!calibrating && (
        <QuietButton onClick={() => session.command({ kind: "keep-mark", mark })}>
          Keep it on the sheet as a check mark
        </QuietButton>
      )}
      {!angle && mark.what !== "radius" && (
        <>
          <Heading>{calibrating ? "It is really" : "It is really, on the garment"}</Heading>
          <div className="flex items-start justify-between gap-2">
            <NumberField
              label="Known length"
              value={known}
              step={1}
              onCommit={(text) => {
                setKnown(text);
                return Promise.resolve(null);
              }}
            />
            <QuietButton onClick={use}>{calibrating ? "Size the picture" : "Set the sheet’s scale"}</QuietButton>
          </div>
          {!calibrating && (
            <p className="muted mt-1 text-[12px]">
              Now {frame.sheet.scale}. What is drawn stays; every stitch follows the scale.
            </p>
          )}
        </>
      )}
    </>
  );
}

function Kept({ session }: { session: ReturnType<typeof useSheetSession> }) {
  const { marks } = useFrame("marks");
  if (!marks.length) return null;
  return (
    <>
      <Heading>Check marks</Heading>
      <ul>
        {marks.map((mark) => (
          <li
            key={mark.id}
            className="flex items-center justify-between gap-2 border-b border-dotted border-base-300 py-0.5"
          >
            <span className={`measure ${mark.fault ? "text-error" : ""}`}>{mark.fault ?? mark.text}</span>
            <QuietButton onClick={() => session.command({ kind: "remove-mark", mark: mark.id })}>Remove</QuietButton>
          </li>
        ))}
      </ul>
    </>
  );
}
