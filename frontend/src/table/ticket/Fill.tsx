/** What fills the chosen closed paths: cloth, a gradient or a picture. */
import type { ClothDoc, FillDoc, Intent, PathShown } from "@/shared/api/types";
import { ClothFields, usualCloth, useWeaves } from "@/shared/maker/ClothFields";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { FileButton } from "@/shared/ui/FileButton";

import { useChosen, useSheetSession } from "../sheet";
import { GradientFields, usualGradient } from "./GradientFields";
import { PictureFill } from "./PictureFill";

const FIRST = "denim";
const PLAIN = "colour";

export function Fill() {
  const session = useSheetSession();
  const weaves = useWeaves();
  const fillWords = useFillWords();
  const { path, paths } = useChosen();
  const closed = paths.filter((item) => item.closed).map((item) => item.id);
  if (!closed.length) return null;
  const set = (fill: FillDoc | null): Intent => ({ kind: "set-fill", paths: closed, fill });
  const { fill } = path!;
  /** The fill as it is kept when its turn comes, changed; another kind of fill stays as it is. */
  const edited = <Kind extends FillDoc>(edit: (now: Kind) => Kind) =>
    session.entered((kept) => {
      const now = kept.paths.find((item) => item.id === path!.id)?.fill ?? null;
      return set(now && fill && now.kind === fill.kind ? edit(now as Kind) : now);
    });
  const edits = {
    onPreview: (next: FillDoc) => session.preview(set(next)),
    onCancel: () => session.dropPreviews(true),
  };
  const first = weaves.find((weave) => weave.id === FIRST);
  return (
    <Decision id="fill" label="Fill" set={fillWords(path!)}>
      {fill && isCloth(fill) && <ClothFields value={fill} onChange={edited} {...edits} />}
      {fill?.kind === "gradient" && <GradientFields value={fill} onChange={edited} {...edits} />}
      {fill?.kind === "picture" && <PictureFill path={path!} fill={fill} paths={closed} />}
      <div className="mt-1.5 flex flex-wrap gap-1">
        {first && !(fill && isCloth(fill)) && (
          <QuietButton onClick={() => session.command(set(usualCloth(first)))}>Fill with cloth</QuietButton>
        )}
        {fill?.kind !== "gradient" && (
          <QuietButton onClick={() => session.command(set(usualGradient(fill)))}>Fill with a gradient</QuietButton>
        )}
        <FileButton
          label="Picture to fill it with"
          accept=".png,.jpg,.jpeg,.webp,.svg"
          onFile={(file) => void session.fillWithPicture(closed, file)}
        >
          {fill?.kind === "picture" ? "Another picture" : "Fill with a picture"}
        </FileButton>
        {fill && <QuietButton onClick={() => session.command(set(null))}>Remove the fill</QuietButton>}
      </div>
    </Decision>
  );
}

/** A fill that does not say what it is is a cloth. */
export const isCloth = (fill: FillDoc): fill is ClothDoc => fill.kind === "cloth" || fill.kind === undefined;

/** What a path is filled with, in words. */
export function useFillWords() {
  const weaves = useWeaves();
  return ({ fill }: PathShown): string => {
    if (!fill) return "none";
    if (fill.kind === "gradient") return `gradient of ${fill.stops.length} colours`;
    if (fill.kind === "picture") return fill.name;
    const weave = fill.weave ?? PLAIN;
    return weaves.find((item) => item.id === weave)?.name.toLowerCase() ?? "cloth";
  };
}
