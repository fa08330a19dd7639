/** What is done with the remainder of each leg. */
import { FITS, LAYOUTS, REMAINDERS, wordOf } from "@/shared/ui/trade";

import { NumberRow, Options, Tick } from "./fields";
import { Decision } from "./Decision";
import { useRow } from "./maker";

export function Remainder() {
  const place = useRow();
  if (!place || place.row.hold === "links") return null;
  const fit = place.row.fit!;
  const at = (name: string) => place.at(`fit/${name}`);
  return (
    <Decision id="remainder" label="Remainder" set={wordOf(FITS, fit.kind)} pointers={[place.at("fit")]}>
      <Options label="Remainder" pointer={at("kind")} options={FITS} value={fit.kind!} />
      {fit.kind === "leave-over" && (
        <div className="mt-1">
          <Options label="Where it is left" pointer={at("remainder")} options={REMAINDERS} value={fit.remainder!} />
        </div>
      )}
      {fit.kind === "ease" && (
        <Tick label="Keep the gap, ease the lengths" pointer={at("keep_gap")} value={fit.keep_gap!} />
      )}
      {fit.kind === "shorten-last" && (
        <NumberRow label="Shortened before a corner" pointer={at("shortened")} value={String(fit.shortened)} step={1} />
      )}
      {fit.kind !== "shorten-last" && (
        <>
          <p className="muted mt-1.5 mb-1 text-[12px]">On the middle of a leg</p>
          <Options label="On the middle of a leg" pointer={at("layout")} options={LAYOUTS} value={fit.layout!} />
        </>
      )}
      <Tick label="Half a gap at both ends of a leg" pointer={at("half_gaps")} value={fit.half_gaps!} />
      <Tick label="One length for all legs, right and left" pointer={at("shared")} value={fit.shared!} />
      <Tick label="One repeat in legs too short" pointer={at("short_legs")} value={fit.short_legs!} />
      <NumberRow label="Tolerance" pointer={at("tolerance")} value={`${fit.tolerance} %`} step={1} />
    </Decision>
  );
}
