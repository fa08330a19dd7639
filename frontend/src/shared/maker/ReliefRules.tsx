/** How raised the artwork is, its finish, and the shadow that it throws. */
import { CHOICES } from "@/shared/api/choices";
import type { components } from "@/shared/api/schema";
import { FINISHES, wordOf } from "@/shared/ui/trade";

import { Decision } from "./Decision";
import { NumberRow, Options } from "./fields";
import { useMaker } from "./maker";

type Relief = Required<components["schemas"]["ReliefDoc"]>;
type Name = keyof typeof CHOICES.reliefSettings;

const [HEIGHT, ...SHADOW] = Object.keys(CHOICES.reliefSettings) as Name[];
const pointerTo = (name: string) => `/relief/${name}`;
const POINTERS = ["/relief"];

/** What is set, in words: “raised 60 %, soft shadow”. */
export function reliefWords({ height, finish, strength, shadow, softness }: Relief): string {
  if (!height) return "flat";
  const shine = finish === "matt" ? "" : `, ${wordOf(FINISHES, finish)}`;
  const edge = softness >= 40 ? "soft" : "sharp";
  const thrown = strength && shadow ? `, ${edge} shadow` : ", no shadow";
  return `raised ${height} %${shine}${thrown}`;
}

export function ReliefRow() {
  const { doc } = useMaker();
  const relief = doc.relief as Relief;
  return (
    <Decision id="relief" label="Relief" set={reliefWords(relief)} pointers={POINTERS}>
      <Setting name={HEIGHT!} />
      {relief.height > 0 && (
        <>
          <Options label="Finish" pointer={pointerTo("finish")} options={FINISHES} value={relief.finish} />
          {SHADOW.map((name) => (
            <Setting key={name} name={name} />
          ))}
        </>
      )}
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
