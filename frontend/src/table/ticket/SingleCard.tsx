/** The ticket of a single repeat: its brush, turn and size. */
import type { Intent } from "@/shared/api/types";
import { FillField } from "@/shared/maker/FillField";
import { QuietButton } from "@/shared/maker/QuietButton";
import { NumberLine } from "@/shared/ui/NumberLine";
import { enteredMm } from "@/shared/ui/words";
import { Pick } from "@/shared/ui/Pick";

import { useSheetSession, useFrame } from "../sheet";
import { tableState, useTableState } from "../state";
import { CropFields } from "./Crop";

export function SingleCard() {
  const session = useSheetSession();
  const frame = useFrame("brushes", "sheet", "singles");
  const id = useTableState((state) => state.single);
  const single = frame.singles.find((item) => item.id === id);
  if (!single) return null;
  const set = (values: Omit<Extract<Intent, { kind: "set-single" }>, "kind" | "single">): Intent => ({
    kind: "set-single",
    single: single.id,
    ...values,
  });
  const { factor } = frame.sheet;
  const rows = [
    ["left", "Middle, from the left", enteredMm(single.x / factor), 1],
    ["top", "Middle, from the top", enteredMm(single.y / factor), 1],
    ["turn", "Turned by", `${Number(single.turn.toFixed(2))}°`, 5],
    ["size", "Size", `${Number(single.size.toFixed(2))} %`, 5],
  ] as const;
  return (
    <>
      <h2 className="text-[18px] font-bold">One repeat</h2>
      {single.fault && <p className="border-l-4 border-error bg-error/15 px-2.5 py-1.5">{single.fault}</p>}
      <Pick
        label="Brush of the single repeat"
        className="my-1 w-full"
        value={single.brush}
        onPick={(picked) => void session.command(set({ brush: picked }))}
      >
        {frame.brushes.map((brush) => (
          <option key={brush.id} value={brush.id}>
            {brush.name}
          </option>
        ))}
      </Pick>
      {rows.map(([key, label, value, step]) => (
        <NumberLine
          key={key}
          words={label}
          label={`Single repeat: ${label.toLowerCase()}`}
          value={value}
          step={step}
          onPreview={(entered) => session.preview(set({ [key]: entered }))}
          onCommit={async (entered) => await session.entered(set({ [key]: entered }))}
          onCancel={() => session.dropPreviews(true)}
        />
      ))}
      {single.threads.map((thread, index) => (
        <div key={index} className="mt-1 flex items-center justify-between gap-2">
          <span className="shrink-0">{single.threads.length > 1 ? `Thread ${index + 1}` : "Thread"}</span>
          <FillField
            label={`Single repeat: thread ${index + 1} colour`}
            colour={thread.colour}
            shade={thread.shade}
            onPreview={(colour) => session.preview(set({ thread: index, colour }))}
            onCommit={(colour) => session.entered(set({ thread: index, colour }))}
          />
        </div>
      ))}
      <CropFields
        of="Single repeat"
        now={single.crop}
        onCrop={(to) => session.command({ kind: "crop-paths", singles: [single.id], to })}
      />
      <div className="mt-1.5 flex flex-wrap gap-1">
        <QuietButton
          onClick={() =>
            session.command({
              kind: "place-single",
              brush: single.brush,
              x: single.x + 10 * factor,
              y: single.y + 10 * factor,
              turn: String(single.turn),
              size: String(single.size),
            })
          }
        >
          Place another beside it
        </QuietButton>
        <QuietButton
          onClick={() => {
            tableState().set({ single: null });
            void session.command({ kind: "remove-singles", singles: [single.id] });
          }}
        >
          Remove it
        </QuietButton>
      </div>
    </>
  );
}
