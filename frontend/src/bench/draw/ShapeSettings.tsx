/** One shape in numbers: where its middle lies, its size, its turn, its line, its colours. */
import type { ArtShapeShown, ArtworkShown, Edit } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { ChoiceLine } from "@/shared/ui/ChoiceLine";
import { STANDS } from "@/shared/ui/trade";

import { useBench, useWorkbench } from "../bench";
import { EditNumber } from "../EditNumber";
import { RoleField } from "./RoleField";
import { mmText } from "./snap";

type SetShape = Omit<Extract<Edit, { kind: "set-shape" }>, "kind" | "course" | "place" | "shape">;

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
  const set = (values: SetShape): Edit => ({
    kind: "set-shape",
    course,
    place: artwork.place,
    shape: index,
    ...values,
  });
  const { stroke } = shape.shown;
  return (
    <>
      <Heading>Shape {index + 1}</Heading>
      <EditNumber label="Middle, along" value={mmText(shape.x)} step={0.1} edit={(x) => set({ x })} />
      <EditNumber label="Middle, across" value={mmText(shape.y)} step={0.1} edit={(y) => set({ y })} />
      {shape.length > 0 && (
        <EditNumber label="Long" value={mmText(shape.length)} step={0.1} edit={(length) => set({ length })} />
      )}
      {shape.width > 0 && (
        <EditNumber label="Wide" value={mmText(shape.width)} step={0.1} edit={(width) => set({ width })} />
      )}
      <EditNumber label="Turn it by" value="0°" step={5} edit={(turn) => set({ turn })} />
      <EditNumber
        label="Opacity"
        value={`${Math.round(shape.opacity * 100)} %`}
        step={5}
        edit={(opacity) => set({ opacity })}
      />
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
      <ChoiceLine
        words="In relief"
        label="The shape in relief"
        options={STANDS}
        value={shape.stands}
        onChange={(stands) => void workbench.make(set({ stands }))}
      />
      {stroke && (
        <>
          <EditNumber label="Line weight" value={mmText(shape.weight)} step={0.05} edit={(weight) => set({ weight })} />
          <ChoiceLine
            words="Its ends"
            label="Ends of the line"
            options={ENDS}
            value={stroke.ends}
            onChange={(ends) => void workbench.make(set({ ends }))}
          />
        </>
      )}
    </>
  );
}
