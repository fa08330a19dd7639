/** The cloth that fills the chosen closed paths. */
import type { ClothDoc, Intent } from "@/shared/api/types";
import { ClothFields, usualCloth, useWeaves } from "@/shared/maker/ClothFields";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";

import { useChosen, useSheetSession } from "../sheet";

const FIRST = "denim";

export function Cloth() {
  const session = useSheetSession();
  const weaves = useWeaves();
  const first = weaves.find((weave) => weave.id === FIRST);
  const { path, paths } = useChosen();
  const closed = paths.filter((item) => item.closed).map((item) => item.id);
  if (!closed.length) return null;
  const set = (cloth: ClothDoc | null): Intent => ({ kind: "set-cloth", paths: closed, cloth });
  const { cloth } = path!;
  return (
    <Decision
      id="cloth"
      label="Cloth"
      set={cloth ? (weaves.find((weave) => weave.id === cloth.weave)?.name ?? "cloth") : "none"}
    >
      {cloth ? (
        <>
          <ClothFields
            value={cloth}
            onPreview={(next) => session.preview(set(next))}
            onChange={async (next) => await session.entered(set(next))}
            onCancel={() => session.dropPreviews(true)}
          />
          <div className="mt-1 text-right">
            <QuietButton onClick={() => session.command(set(null))}>Remove the cloth</QuietButton>
          </div>
        </>
      ) : (
        first && <QuietButton onClick={() => session.command(set(usualCloth(first)))}>Fill with cloth</QuietButton>
      )}
    </Decision>
  );
}
