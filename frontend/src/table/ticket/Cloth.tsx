/** The cloth that fills the chosen closed paths. */
import type { ClothDoc, Intent } from "@/shared/api/types";
import { ClothFields } from "@/shared/maker/ClothFields";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";

import { useChosen, useDesk } from "../sheet";

const FIRST: ClothDoc = { weave: "denim", warp: "#3b5068", weft: "#d9d4c7", ends: 26, picks: 18, turn: 0 };

export function Cloth() {
  const desk = useDesk();
  const { path, paths } = useChosen();
  const closed = paths.filter((item) => item.closed).map((item) => item.id);
  if (!closed.length) return null;
  const set = (cloth: ClothDoc | null): Intent => ({ kind: "set-cloth", paths: closed, cloth });
  const { cloth } = path!;
  return (
    <>
      <Heading>Cloth inside</Heading>
      {cloth ? (
        <>
          <ClothFields
            value={cloth}
            onPreview={(next) => desk.preview(set(next))}
            onChange={async (next) => (await desk.command(set(next)))?.message ?? null}
            onCancel={() => desk.dropPreviews(true)}
          />
          <div className="mt-1 text-right">
            <QuietButton onClick={() => desk.command(set(null))}>Take the cloth out</QuietButton>
          </div>
        </>
      ) : (
        <QuietButton onClick={() => desk.command(set(FIRST))}>Fill with cloth</QuietButton>
      )}
    </>
  );
}
