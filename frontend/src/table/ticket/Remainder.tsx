/** What is done with the remainder of each leg. */
import { Choice } from "@/shared/ui/Choice";
import { NumberField } from "@/shared/ui/NumberField";
import { FITS, REMAINDERS } from "@/shared/ui/trade";

import { Own } from "./Own";
import { Heading } from "./Ticket";
import { useRun, useSettings } from "./settings";

const FIT = "/courses/0/fit";

export function Remainder() {
  const { settings: brush } = useRun();
  const settings = useSettings();
  const fit = brush.courses![0]!.fit!;
  return (
    <>
      <Heading>
        The remainder
        <Own pointer={FIT} label="The remainder" />
      </Heading>
      <Choice
        label="The remainder"
        options={FITS}
        value={fit.kind!}
        onChange={(kind) => void settings.keep(`${FIT}/kind`, kind)}
      />
      {fit.kind === "leave-over" && (
        <div className="mt-1">
          <Choice
            label="Where it is left"
            options={REMAINDERS}
            value={fit.remainder!}
            onChange={(place) => void settings.keep(`${FIT}/remainder`, place)}
          />
        </div>
      )}
      {fit.kind === "ease" && (
        <Tick label="Keep the gap, ease the stitches" pointer={`${FIT}/keep_gap`} value={fit.keep_gap!} />
      )}
      <Tick label="One stitch in legs too short" pointer={`${FIT}/short_legs`} value={fit.short_legs!} />
      <div className="mt-1 flex items-center justify-between">
        <span>Flag past</span>
        <NumberField
          label="Tolerance"
          value={`${fit.tolerance} %`}
          step={1}
          onPreview={(typed) => settings.tryOut(`${FIT}/tolerance`, typed)}
          onCommit={(typed) => settings.keep(`${FIT}/tolerance`, typed)}
          onCancel={settings.forget}
        />
      </div>
    </>
  );
}

function Tick({ label, pointer, value }: { label: string; pointer: string; value: boolean }) {
  const settings = useSettings();
  return (
    <label className="mt-1 flex min-h-6 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-(--color-secondary)"
        checked={value}
        onChange={(event) => void settings.keep(pointer, event.target.checked)}
      />
      {label}
    </label>
  );
}
