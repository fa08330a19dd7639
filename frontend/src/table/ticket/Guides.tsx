/** Pictures under the paths, to trace over: imported, placed, faded, locked. */
import type { GuideShown, Intent } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { FileButton } from "@/shared/ui/FileButton";
import { Tick } from "@/shared/ui/Tick";

import { chooseTool } from "../HeadStrip";
import { useSheetSession, useFrame } from "../sheet";
import { tableState } from "../state";
import { ByHand } from "./ByHand";
import { CropFields } from "./Crop";
import { PictureNumbers } from "./PictureNumbers";

export function Guides() {
  const { guides } = useFrame("guides");
  return (
    <>
      <Heading>Guide picture</Heading>
      {guides.map((guide) => (
        <Guide key={guide.id} guide={guide} />
      ))}
      <LayUnder />
    </>
  );
}

function LayUnder() {
  const session = useSheetSession();
  return (
    <FileButton
      label="Picture to lay under the paths"
      accept=".png,.jpg,.jpeg,.webp,.svg"
      onFile={(file) => void session.addGuide(file)}
    >
      Lay a picture under the paths
    </FileButton>
  );
}

function Guide({ guide }: { guide: GuideShown }) {
  const session = useSheetSession();
  const set = (values: Omit<Extract<Intent, { kind: "set-guide" }>, "kind" | "guide">): Intent => ({
    kind: "set-guide",
    guide: guide.id,
    ...values,
  });
  return (
    <div className="mb-2 border-b border-dotted border-base-300 pb-2">
      <p className="truncate">{guide.name}</p>
      <PictureNumbers
        name={guide.name}
        entered={guide.entered}
        onPreview={(values) => session.preview(set(values))}
        onCommit={async (values) => await session.entered(set(values))}
        onCancel={() => session.dropPreviews(true)}
      />
      <CropFields
        of={guide.name}
        now={guide.crop}
        onCrop={(to) => session.command({ kind: "crop-paths", guides: [guide.id], to })}
      />
      <div className="flex gap-4">
        <Tick label="Shown" on={guide.shown} onChange={(shown) => void session.command(set({ shown }))} />
        <Tick label="Locked" on={guide.locked} onChange={(locked) => void session.command(set({ locked }))} />
      </div>
      <div className="flex flex-wrap gap-1">
        {guide.shown && !guide.locked && <ByHand kind="guide" id={guide.id} />}
        <QuietButton
          onClick={() => {
            chooseTool("measure");
            tableState().set({ calibrating: guide.id, measuring: "straight" });
          }}
        >
          Calibrate by a known length
        </QuietButton>
        <QuietButton onClick={() => session.command({ kind: "remove-guide", guide: guide.id })}>Remove</QuietButton>
      </div>
    </div>
  );
}
