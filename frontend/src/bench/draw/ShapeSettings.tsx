/** One shape in numbers: where its middle lies, its size, its turn, its line, its colours. */
import type { ArtShapeShown, ArtworkShown, Making } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { Choice } from "@/shared/ui/Choice";

import { useBench, useWorkbench } from "../bench";
import { MakingNumber } from "../MakingNumber";
import { RoleField } from "./RoleField";
import { mmText } from "./snap";

type SetShape = Omit<Extract<Making, { kind: "set-shape" }>, "kind" | "course" | "place" | "shape">;

const ENDS = [
  ["round", "Round"],
  ["flat", "Flat"],
  ["square", "Square"],
] as const;

interface Props {
  shape: ArtShapeShown;
  index: number;
  artwork: ArtworkShown;
}

export function ShapeSettings({ shape, index, artwork }: Props) {
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const set = (values: SetShape): Making => ({ kind: "set-shape", course, place: artwork.place, shape: index, ...values });
  const { stroke } = shape.shown;
  return (
    <>
      <Heading>Shape {index + 1}</Heading>
      <MakingNumber label="Middle, along" value={mmText(shape.x)} step={0.1} making={(x) => set({ x })} />
      <MakingNumber label="Middle, across" value={mmText(shape.y)} step={0.1} making={(y) => set({ y })} />
      {shape.length > 0 && <MakingNumber label="Long" value={mmText(shape.length)} step={0.1} making={(length) => set({ length })} />}
      {shape.width > 0 && <MakingNumber label="Wide" value={mmText(shape.width)} step={0.1} making={(width) => set({ width })} />}
      <MakingNumber label="Turn it by" value="0°" step={5} making={(turn) => set({ turn })} />
      <MakingNumber label="Opacity" value={`${Math.round(shape.opacity * 100)} %`} step={5} making={(opacity) => set({ opacity })} />
      <RoleField
        label={shape.gradient ? "Fill, now a gradient" : "Fill"}
        value={shape.fill}
        onPreview={(fill) => workbench.show(set({ fill }))}
        onCommit={(fill) => workbench.make(set({ fill }))}
      />
      <RoleField
        label="Line"
        value={shape.stroke}
        onPreview={(line) => workbench.show(set({ stroke: line }))}
        onCommit={(line) => workbench.make(set({ stroke: line }))}
      />
      {stroke && (
        <>
          <MakingNumber label="Line weight" value={mmText(shape.weight)} step={0.05} making={(weight) => set({ weight })} />
          <div className="mt-1 flex items-center justify-between gap-2">
            Its ends
            <Choice label="Ends of the line" options={ENDS} value={stroke.ends} onChange={(ends) => void workbench.make(set({ ends }))} />
          </div>
        </>
      )}
    </>
  );
}
