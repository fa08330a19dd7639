/** A motif family: which it is, and its measures. */
import type { BrushDoc, SettingShown } from "@/shared/api/types";
import { mmText, NumberRow, Options, Tick } from "@/shared/maker/fields";

import { KINDS, useFamilies } from "@/shared/families";
import { Pick } from "@/shared/ui/Pick";

type Course = NonNullable<BrushDoc["courses"]>[number];
export type Motif = NonNullable<Exclude<Course, { course: "band" }>["motif"]>;

interface ChoiceProps {
  label: string;
  family: string | null;
  /** Whether families for single places are among them. */
  pieces: boolean;
  none?: string;
  onChange: (family: string) => void;
}

export function FamilyChoice({ label, family, pieces, none, onChange }: ChoiceProps) {
  const families = useFamilies().filter((item) => pieces || !item.piece);
  return (
    <Pick label={label} className="w-full" value={family ?? ""} onPick={(picked) => onChange(picked)}>
      {none && <option value="">{none}</option>}
      {family === "artwork" && <option value="artwork">Artwork</option>}
      {family === "picture" && <option value="picture">Picture</option>}
      {KINDS.map(([kind, name]) => (
        <optgroup key={kind} label={name}>
          {families
            .filter((item) => item.kind === kind)
            .map((item) => (
              <option key={item.id} value={item.id}>
                {item.name}
              </option>
            ))}
        </optgroup>
      ))}
    </Pick>
  );
}

export function FamilySettings({ base, motif }: { base: string; motif: Motif }) {
  const family = useFamilies().find((item) => item.id === motif.family);
  if (motif.family === "picture") {
    return <p className="muted mt-1 text-[12px]">A picture: it stays rigid, and is exported at its pixels.</p>;
  }
  if (!family) return <p className="muted mt-1 text-[12px]">Artwork of its own: its shapes are as they were drawn.</p>;
  const values = motif as unknown as Record<string, { mm: number } | number | string | boolean>;
  return (
    <div className="mt-1.5">
      {family.settings.map((setting) => (
        <SettingRow
          key={setting.name}
          setting={setting}
          pointer={`${base}/${setting.name}`}
          value={values[setting.name]!}
        />
      ))}
    </div>
  );
}

interface RowProps {
  setting: SettingShown;
  pointer: string;
  value: { mm: number } | number | string | boolean;
}

function SettingRow({ setting, pointer, value }: RowProps) {
  const { label, form, unit, usual } = setting;
  if (form === "tick") return <Tick label={label} pointer={pointer} value={value as boolean} />;
  if (form === "choice") {
    const options = setting.choices.map(
      (choice) => [choice, choice.charAt(0).toUpperCase() + choice.slice(1)] as const,
    );
    return (
      <div className="mt-1">
        <p className="mb-0.5">{label}</p>
        <Options label={label} pointer={pointer} options={options} value={value as string} />
      </div>
    );
  }
  const text =
    form === "measure"
      ? mmText(value as { mm: number })
      : unit === "%" || unit === "°"
        ? `${value as number}${unit === "%" ? " %" : unit}`
        : String(value as number);
  return (
    <div title={usual}>
      <NumberRow label={label} pointer={pointer} value={text} step={form === "measure" ? 0.5 : 1} />
      {usual && <p className="muted -mt-0.5 pr-[94px] text-[12px]">{usual}</p>}
    </div>
  );
}
