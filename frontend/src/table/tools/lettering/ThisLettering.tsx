/** The text that the chosen letters still are. */
import type { Intent } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Pick } from "@/shared/ui/Pick";

import { useSheetSession, useFrame } from "../../sheet";
import { type Change, TextFields } from "./TextFields";

export function ThisLettering({ id }: { id: string }) {
  const session = useSheetSession();
  const frame = useFrame("letterings", "paths");
  const text = frame.letterings.find((item) => item.id === id);
  if (!text) return null;
  const set = ({ numbers, ...rest }: Change): Intent => ({
    kind: "set-lettering",
    lettering: id,
    ...rest,
    entered: numbers ?? {},
  });
  return (
    <Decision id="lettering" label="Lettering" set={text.text}>
      <TextFields
        value={text}
        onPath={text.along !== null}
        onPreview={(change) => session.preview(set(change))}
        onChange={async (change) => {
          const refusal = await session.entered(set(change));
          // What was written anew may be other paths: all of the text stays chosen.
          if (!refusal) session.chooseAll((path) => path.lettering === id);
          return refusal;
        }}
        onCancel={() => session.dropPreviews(true)}
      />
      <div className="mt-1 flex items-center gap-2">
        <label htmlFor="stands-on">Stands on</label>
        <Pick
          label="Stands on"
          id="stands-on"
          className="min-w-0 flex-1"
          value={text.along ?? ""}
          onPick={(picked) =>
            void session.command({ kind: "set-lettering", lettering: id, entered: {}, along: picked })
          }
        >
          <option value="">level lines</option>
          {frame.paths.map(
            (path) =>
              !path.lettering && (
                <option key={path.id} value={path.id}>
                  {path.name}
                </option>
              ),
          )}
        </Pick>
      </div>
      <div className="mt-1.5 text-right">
        <QuietButton onClick={() => session.command({ kind: "free-lettering", lettering: id })}>
          Convert to paths
        </QuietButton>
      </div>
    </Decision>
  );
}
