/** How raised the artwork is, its finish, and the shadow that it throws. */
import { CHOICES } from "@/shared/api/choices";
import type { components } from "@/shared/api/schema";
import { FINISHES, wordOf } from "@/shared/ui/trade";

import { Decision } from "./Decision";
import { NumberRow, Options, Tick } from "./fields";
import { useMaker } from "./maker";

type Relief = Required<components["schemas"]["ReliefDoc"]>;
type Name = keyof typeof CHOICES.reliefSettings;

const SHADOW = ["shadow", "softness", "strength"] as const;
const pointerTo = (name: string) => `/relief/${name}`;
const POINTERS = ["/relief"];

/** What is set, in words: “raised 60 %, soft shadow”. */
export function reliefWords({ height, finish, strength, shadow, softness, sunk }: Relief): string {
  if (!height) return sunk ? `flat, sunk ${sunk} %` : "flat";
  const shine = finish === "matt" ? "" : `, ${wordOf(FINISHES, finish)}`;
  const edge = softness >= 40 ? "soft" : "sharp";
  const thrown = strength && shadow ? `, ${edge} shadow` : ", no shadow";
  return `raised ${height} %${shine}${thrown}${sunk ? ", sunk" : ""}`;
}

export function ReliefRow() {
  const { doc } = useMaker();
  const relief = doc.relief as Relief;
  return (
    <Decision id="relief" label="Relief" set={reliefWords(relief)} pointers={POINTERS}>
      <Setting name="height" />
      {relief.height > 0 && (
        <>
          <Options label="Finish" pointer={pointerTo("finish")} options={FINISHES} value={relief.finish} />
          {SHADOW.map((name) => (
            <Setting key={name} name={name} />
          ))}
        </>
      )}
      <Setting name="sunk" />
      <Tick label={CHOICES.reliefSettings.holes.label} pointer={pointerTo("holes")} value={relief.holes} />
    </Decision>
  );
}

function Setting({ name }: { name: Name }) {
  const { doc } = useMaker();
  const { label, step, unit } = CHOICES.reliefSettings[name];
  return (
    <NumberRow label={label} pointer={pointerTo(name)} value={`${(doc.relief as Relief)[name]} ${unit}`} step={step} />
  );
}
