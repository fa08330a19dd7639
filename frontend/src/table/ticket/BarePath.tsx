/** A path without a brush: what to do next. */
import { useChosen, useSheetSession, useFrame } from "../sheet";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";

export function BarePath() {
  const frame = useFrame("brushes");
  const session = useSheetSession();
  const { paths } = useChosen();
  const ids = paths.map((path) => path.id);
  return (
    <>
      <Heading>Lay a brush</Heading>
      <p className="muted mb-1">Drag one from the list onto the path, or press one here.</p>
      <div className="flex flex-wrap gap-1">
        {frame.brushes.slice(0, 8).map((brush) => (
          <QuietButton
            key={brush.id}
            onClick={() => session.command({ kind: "lay-brush", paths: ids, brush: brush.id })}
          >
            {brush.name}
          </QuietButton>
        ))}
      </div>
    </>
  );
}
