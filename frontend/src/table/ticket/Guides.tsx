/** Pictures under the paths, to trace over: imported, placed, faded, locked. */
import type { GuideShown, Intent } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { FileButton } from "@/shared/ui/FileButton";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Tick } from "@/shared/ui/Tick";

import { chooseTool } from "../HeadStrip";
import { useSheetSession, useFrame } from "../sheet";
import { tableState, useTableState } from "../state";

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

const NUMBERS = [
  ["x", "Middle, from the left", 5],
  ["y", "Middle, from the top", 5],
  ["width", "Width on the garment", 5],
  ["turn", "Turned by", 1],
  ["fade", "Faded by", 5],
] as const;

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
      {NUMBERS.map(([key, label, step]) => (
        <NumberLine
          key={key}
          words={label}
          label={`${guide.name}: ${label.toLowerCase()}`}
          value={guide.entered[key]!}
          step={step}
          onPreview={(entered) => session.preview(set({ [key]: entered }))}
          onCommit={async (entered) => await session.entered(set({ [key]: entered }))}
          onCancel={() => session.dropPreviews(true)}
        />
      ))}
      <div className="flex gap-4">
        <Tick label="Shown" on={guide.shown} onChange={(shown) => void session.command(set({ shown }))} />
        <Tick label="Locked" on={guide.locked} onChange={(locked) => void session.command(set({ locked }))} />
      </div>
      <div className="flex flex-wrap gap-1">
        {guide.shown && !guide.locked && <ByHand guide={guide} />}
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

/** Grips on the sheet to move, size and turn it by. */
function ByHand({ guide }: { guide: GuideShown }) {
  const inHand = useTableState((state) => state.guide === guide.id);
  const take = () => {
    chooseTool("choose");
    tableState().set({ guide: inHand ? null : guide.id });
  };
  return (
    <QuietButton pressed={inHand} onClick={take}>
      Move it by hand
    </QuietButton>
  );
}
