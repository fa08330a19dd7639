/** How corners are turned, all of them alike. */
import { CROSSINGS, MADE, MANNERS } from "@/shared/ui/trade";

import { mmText, NumberRow, Options } from "./fields";
import { useMaker } from "./maker";
import { Own } from "./Own";

const MANNER = "/corners/manner";

/** `also` are manners of single corners, whose settings are shown too. */
export function CornerRules({ also = [] }: { also?: readonly string[] }) {
  const { doc } = useMaker();
  const rule = doc.corners!;
  const manners = new Set<string>([rule.manner!, ...also]);
  return (
    <>
      <Options label="At corners" pointer={MANNER} options={MANNERS} value={rule.manner!} />
      {manners.has("piece") && <MadeFromRepeat />}
      {(manners.has("mitre") || manners.has("piece")) && (
        <NumberRow label="Mitre limit" pointer="/corners/mitre_limit" value={String(rule.mitre_limit)} step={1} />
      )}
      {manners.has("stop") && (
        <NumberRow label="Stops before by" pointer="/corners/stop" value={mmText(rule.stop)} step={0.5} />
      )}
      <NumberRow label="Corner angle" pointer="/corners/angle" value={`${rule.angle}°`} step={1} />
    </>
  );
}

/** How a corner piece is made where the brush has no artwork for it. */
function MadeFromRepeat() {
  const { doc: brush } = useMaker();
  const { made, fullness } = brush.corners!;
  const drawn = brush.courses?.some((course) => course.course === "row" && course.pieces?.corner_outside);
  if (drawn) return null;
  return (
    <>
      <p className="muted mt-1 text-[12px]">
        Made from the repeat
        <Own pointer="/corners/made" label="Made from the repeat" />
      </p>
      <Options label="Made from the repeat" pointer="/corners/made" options={MADE} value={made!} />
      {made === "gathered" && (
        <NumberRow label="Fullness" pointer="/corners/fullness" value={String(fullness)} step={0.1} />
      )}
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
