/** What paths with their brushes, guide pictures and single repeats are cropped to. */
import { useId } from "react";

import type { CropDoc, PathShown } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { ChoiceLine } from "@/shared/ui/ChoiceLine";
import { Pick } from "@/shared/ui/Pick";

import { useChosen, useFrame, useSheetSession } from "../sheet";

const SEEN = [
  ["inside", "Inside"],
  ["outside", "Outside"],
] as const;

/** Of the chosen paths. */
export function Crop() {
  const session = useSheetSession();
  const { path, paths } = useChosen();
  const ids = paths.map((item) => item.id);
  return <CropRow now={path!.crop ?? null} onCrop={(to) => session.command({ kind: "crop-paths", paths: ids, to })} />;
}

interface Props {
  now: CropDoc | null;
  onCrop: (to: CropDoc | null) => unknown;
  /** What it is called, where there are several. */
  of?: string;
}

function CropRow({ now, onCrop }: Props) {
  const { name } = useCropped(now);
  if (!useShapes().length) return null;
  return (
    <Decision
      id="crop"
      label="Crop"
      set={name ? `${now!.outside ? "outside" : "inside"} of ${name}` : "none, all is seen"}
    >
      <CropFields now={now} onCrop={onCrop} />
    </Decision>
  );
}

/** What something is cropped to, and which side of it is seen. */
export function CropFields({ now, onCrop, of }: Props) {
  const shapes = useShapes();
  const id = useId();
  const { shape } = useCropped(now);
  const label = of ? `${of}: crop to` : "Crop to";
  if (!shapes.length) return null;
  const crop = (picked: string, outside: boolean) => {
    const to = shapes.find((item) => item.id === picked);
    void onCrop(to ? { kind: to.kind, id: to.id, outside } : null);
  };
  return (
    <>
      <div className="mt-1 flex items-center justify-between gap-2">
        <label htmlFor={id}>Crop to</label>
        <Pick
          label={label}
          id={id}
          className="min-w-0 flex-1"
          value={shape?.id ?? ""}
          onPick={(picked) => crop(picked, now?.outside ?? false)}
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
          label={of ? `${of}: what is seen of it` : "What is seen of it"}
          options={SEEN}
          value={now!.outside ? "outside" : "inside"}
          onChange={(seen) => crop(shape.id, seen === "outside")}
        />
      )}
    </>
  );
}

function useShapes(): Shape[] {
  const { paths } = useFrame("paths");
  return shapesOf(paths);
}

function useCropped(now: CropDoc | null) {
  const shape = useShapes().find((item) => item.id === now?.id);
  return { shape, name: shape?.name };
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
