/** How corners are turned. */
import { Choice } from "@/shared/ui/Choice";
import { NumberField } from "@/shared/ui/NumberField";
import { MANNERS } from "@/shared/ui/trade";
import { plural } from "@/shared/ui/words";

import { Own } from "./Own";
import { Heading } from "./Ticket";
import { useRun, useSettings } from "./settings";

const MANNER = "/corners/manner";
const ANGLE = "/corners/angle";

export function Corners() {
  const { settings: brush, corners = [] } = useRun();
  const settings = useSettings();
  const rule = brush.corners!;
  return (
    <>
      <Heading>
        At corners <span className="muted font-normal">{plural(corners.length, "corner")}</span>
        <Own pointer={MANNER} label="At corners" />
      </Heading>
      <Choice
        label="At corners"
        options={MANNERS}
        value={rule.manner!}
        onChange={(manner) => void settings.keep(MANNER, manner)}
      />
      <div className="mt-1 flex items-center justify-between">
        <span>
          A corner turns at least
          <Own pointer={ANGLE} label="Corner angle" />
        </span>
        <NumberField
          label="Corner angle"
          value={`${rule.angle}°`}
          step={1}
          onPreview={(typed) => settings.tryOut(ANGLE, typed)}
          onCommit={(typed) => settings.keep(ANGLE, typed)}
          onCancel={settings.forget}
        />
      </div>
    </>
  );
}
