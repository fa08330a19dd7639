/** The picture inside the chosen shapes: placed by number, by hand, or to fit. */
import type { Intent, PathShown, PictureFillDoc } from "@/shared/api/types";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Tick } from "@/shared/ui/Tick";

import { useSheetSession } from "../sheet";
import { ByHand } from "./ByHand";
import { PictureNumbers } from "./PictureNumbers";

interface Props {
  path: PathShown;
  fill: PictureFillDoc;
  paths: string[];
}

type Values = Omit<Extract<Intent, { kind: "set-picture-fill" }>, "kind" | "paths">;

export function PictureFill({ path, fill, paths }: Props) {
  const session = useSheetSession();
  const set = (values: Values): Intent => ({ kind: "set-picture-fill", paths, ...values });
  return (
    <>
      <PictureNumbers
        name={fill.name}
        entered={path.picture!.entered}
        onPreview={(values) => session.preview(set(values))}
        onCommit={async (values) => await session.entered(set(values))}
        onCancel={() => session.dropPreviews(true)}
      />
      <div className="mt-1">
        <Tick
          label="Mirrored, left to right"
          on={fill.mirrored ?? false}
          onChange={(mirrored) => void session.command(set({ mirrored }))}
        />
      </div>
      <div className="mt-1 flex flex-wrap gap-1">
        <ByHand kind="fill" id={path.id} />
        <QuietButton onClick={() => session.command(set({ fit: "cover" }))}>Cover the shape</QuietButton>
        <QuietButton onClick={() => session.command(set({ fit: "inside" }))}>Show all of it</QuietButton>
      </div>
    </>
  );
}
