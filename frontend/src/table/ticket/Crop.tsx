/** What the chosen paths and their brushes are cropped to. */
import type { PathShown } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { ChoiceLine } from "@/shared/ui/ChoiceLine";
import { Pick } from "@/shared/ui/Pick";

import { useChosen, useFrame, useSheetSession } from "../sheet";

const SEEN = [
  ["inside", "Inside"],
  ["outside", "Outside"],
] as const;

export function Crop() {
  const session = useSheetSession();
  const { path, paths: chosen } = useChosen();
  const { paths } = useFrame("paths");
  const shapes = shapesOf(paths);
  const now = path!.crop ?? null;
  const shape = now && shapes.find((item) => item.id === now.id);
  if (!shapes.length) return null;
  const crop = (id: string, outside: boolean) => {
    const to = shapes.find((item) => item.id === id);
    return session.command({
      kind: "crop-paths",
      paths: chosen.map((item) => item.id),
      to: to ? { kind: to.kind, id: to.id, outside } : null,
    });
  };
  return (
    <Decision
      id="crop"
      label="Crop"
      set={shape ? `${now.outside ? "outside" : "inside"} of ${shape.name}` : "none, all is seen"}
    >
      <div className="mt-1 flex items-center justify-between gap-2">
        <label htmlFor="crop-to">Crop to</label>
        <Pick
          label="Crop to"
          id="crop-to"
          className="min-w-0 flex-1"
          value={shape?.id ?? ""}
          onPick={(id) => void crop(id, now?.outside ?? false)}
        >
          <option value="">nothing: all is seen</option>
          {shapes.map((item) => (
            <option key={item.id} value={item.id}>
              {item.name}
            </option>
          ))}
        </Pick>
      </div>
      {shape && (
        <ChoiceLine
          words="What is seen"
          label="What is seen of it"
          options={SEEN}
          value={now.outside ? "outside" : "inside"}
          onChange={(seen) => void crop(shape.id, seen === "outside")}
        />
      )}
    </Decision>
  );
}

interface Shape {
  kind: "path" | "area";
  id: string;
  name: string;
}

/** Closed paths, and areas once each. */
function shapesOf(paths: readonly PathShown[]): Shape[] {
  const found = new Map<string, Shape>();
  for (const { id, name, area, closed } of paths) {
    if (area) {
      if (!found.has(area)) found.set(area, { kind: "area", id: area, name });
    } else if (closed) found.set(id, { kind: "path", id, name });
  }
  return [...found.values()];
}
