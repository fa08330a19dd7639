/** The sheet's own ticket, while nothing on it is chosen: name, size, scale, unit, background and light. */
import type { ClothDoc, Intent } from "@/shared/api/types";
import { ClothFields } from "@/shared/maker/ClothFields";
import { Heading } from "@/shared/maker/Heading";
import { Choice } from "@/shared/ui/Choice";
import { NameField } from "@/shared/ui/NameField";
import { NumberLine } from "@/shared/ui/NumberLine";
import { sideText } from "@/sheets/sizes";

import { Switch } from "../shades/Colourways";
import { CardRow } from "../shades/ShadeCard";
import { useSheetSession, useFrame } from "../sheet";
import { Guides } from "./Guides";
import { LightFields } from "./LightFields";

const UNITS = [
  ["mm", "Millimetres"],
  ["in", "Inches"],
] as const;
const BACKGROUNDS = [
  ["light", "Light"],
  ["dark", "Dark"],
  ["cloth", "Cloth"],
] as const;
const BACKGROUND: ClothDoc = { weave: "colour", warp: "#8c9a8f", weft: "#8c9a8f", ends: 20, picks: 20, turn: 0 };

export function SheetCard() {
  const session = useSheetSession();
  const { sheet, colourways } = useFrame("sheet", "colourways");
  const set = async (values: Omit<Extract<Intent, { kind: "set-sheet" }>, "kind">) =>
    await session.entered({ kind: "set-sheet", ...values });
  const side = (mm: number) => `${sideText(mm, sheet.unit)} ${sheet.unit}`;
  return (
    <>
      <h2>
        <NameField heading label="Name of the sheet" value={sheet.name} onKeep={(name) => void set({ name })} />
      </h2>
      <p className="muted">Press a path on the sheet or in the list to see its stitches measured.</p>
      <Heading>The sheet</Heading>
      <Row label="Width" value={side(sheet.width)} onCommit={(width) => set({ width })} />
      <Row label="Height" value={side(sheet.height)} onCommit={(height) => set({ height })} />
      <Row label="Scale" value={sheet.scale} onCommit={(scale) => set({ scale })} />
      <div className="mt-1.5">
        <Choice label="Unit" options={UNITS} value={sheet.unit} onChange={(unit) => void set({ unit })} />
      </div>
      <CardRow />
      {colourways.length > 1 && (
        <div className="mt-1.5">
          <Switch />
        </div>
      )}
      <Heading>Background</Heading>
      <Choice
        label="Background"
        options={BACKGROUNDS}
        value={sheet.background}
        onChange={(background) =>
          void set(background === "cloth" ? { background_cloth: sheet.background_cloth ?? BACKGROUND } : { background })
        }
      />
      {sheet.background === "cloth" && sheet.background_cloth && (
        <div className="mt-1.5">
          <ClothFields
            value={sheet.background_cloth}
            onPreview={(cloth) => session.preview({ kind: "set-sheet", background_cloth: cloth })}
            onChange={(edit) =>
              session.entered(({ sheet: kept }) => ({
                kind: "set-sheet",
                background_cloth: edit(kept.background_cloth ?? BACKGROUND),
              }))
            }
            onCancel={() => session.dropPreviews(true)}
          />
        </div>
      )}
      <LightFields />
      <Guides />
    </>
  );
}

function Row({
  label,
  value,
  onCommit,
}: {
  label: string;
  value: string;
  onCommit: (text: string) => Promise<string | null>;
}) {
  return (
    <NumberLine words={label} label={`Sheet’s ${label.toLowerCase()}`} value={value} step={1} onCommit={onCommit} />
  );
}
