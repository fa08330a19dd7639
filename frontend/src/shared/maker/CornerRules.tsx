/** How corners are turned, all of them alike. */
import { CHOICES } from "@/shared/api/choices";
import { CROSSINGS, MADE, MANNERS } from "@/shared/ui/trade";

import { mmText, NumberRow, Options } from "./fields";
import { useMaker } from "./maker";
import { Own } from "./Own";

const MANNER = "/corners/manner";

type Name = keyof typeof CHOICES.cornerSettings;
type SettingName = Name | "made";
type Entry = { id: string; settings: readonly string[] };

/** The settings that some of a registry's entries go by, each once. */
function settingsOf(registry: readonly Entry[], names: ReadonlySet<string>): SettingName[] {
  const every = registry.filter((entry) => names.has(entry.id)).flatMap((entry) => [...entry.settings]);
  return [...new Set(every)] as SettingName[];
}

/** `also` are manners of single corners, whose settings are shown too. */
export function CornerRules({ also = [] }: { also?: readonly string[] }) {
  const { doc } = useMaker();
  const rule = doc.corners!;
  const settings = settingsOf(CHOICES.manners, new Set([rule.manner!, ...also]));
  return (
    <>
      <Options label="At corners" pointer={MANNER} options={MANNERS} value={rule.manner!} />
      {settings.map((name) => (name === "made" ? <MadeFromRepeat key={name} /> : <Setting key={name} name={name} />))}
      <Setting name="angle" />
    </>
  );
}

/** One of the corner rule's numbers. */
function Setting({ name }: { name: Name }) {
  const { doc } = useMaker();
  const { label, step, form, unit } = CHOICES.cornerSettings[name];
  const value = doc.corners![name];
  const text = form === "measure" ? mmText(value as { mm: number }) : `${value as number}${unit === "°" ? unit : ""}`;
  return <NumberRow label={label} pointer={`/corners/${name}`} value={text} step={step} />;
}

/** How a corner piece is made where the brush has no artwork for it. */
function MadeFromRepeat() {
  const { doc: brush } = useMaker();
  const made = brush.corners!.made!;
  const drawn = brush.courses?.some((course) => course.course === "row" && course.pieces?.corner_outside);
  if (drawn) return null;
  return (
    <>
      <p className="muted mt-1 text-[12px]">
        Made from the repeat
        <Own pointer="/corners/made" label="Made from the repeat" />
      </p>
      <Options label="Made from the repeat" pointer="/corners/made" options={MADE} value={made} />
      {settingsOf(CHOICES.made, new Set([made])).map((name) => name !== "made" && <Setting key={name} name={name} />)}
    </>
  );
}

/** Where the path crosses itself. */
export function CrossingRules() {
  const { doc } = useMaker();
  const rule = doc.crossings!;
  return (
    <>
      <Options label="Where it crosses itself" pointer="/crossings/manner" options={CROSSINGS} value={rule.manner!} />
      {rule.manner === "over-under" && (
        <NumberRow label="Clearance" pointer="/crossings/clearance" value={mmText(rule.clearance)} step={0.1} />
      )}
    </>
  );
}
