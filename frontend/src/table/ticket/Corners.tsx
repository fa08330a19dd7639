/** How corners are turned: all of them, and the chosen one for itself. */
import { Choice } from "@/shared/ui/Choice";
import { CROSSINGS, MANNERS } from "@/shared/ui/trade";
import { degrees, fixed, plural } from "@/shared/ui/words";

import { useDesk } from "../sheet";
import { useHand } from "../state";
import { mmText, NumberRow, Options } from "./fields";
import { Own } from "./Own";
import { Heading } from "./Ticket";
import { useRun } from "./settings";
import { QuietButton } from "./QuietButton";

const MANNER = "/corners/manner";

export function Corners() {
  const { settings: brush, corners = [] } = useRun();
  const rule = brush.corners!;
  const manners = new Set([rule.manner!, ...corners.map((corner) => corner.manner)]);
  return (
    <>
      <Heading>
        At corners <span className="muted font-normal">{plural(corners.length, "corner")}</span>
        <Own pointer={MANNER} label="At corners" />
      </Heading>
      <Options label="At corners" pointer={MANNER} options={MANNERS} value={rule.manner!} />
      {(manners.has("mitre") || manners.has("piece")) && (
        <NumberRow label="Mitre limit" pointer="/corners/mitre_limit" value={String(rule.mitre_limit)} step={1} />
      )}
      {manners.has("stop") && (
        <NumberRow label="Stops before by" pointer="/corners/stop" value={mmText(rule.stop)} step={0.5} />
      )}
      <NumberRow label="Corner angle" pointer="/corners/angle" value={`${rule.angle}°`} step={1} />
      <ChosenCorner />
    </>
  );
}

type OwnManner = (typeof MANNERS)[number][0] | "follow";

function ChosenCorner() {
  const desk = useDesk();
  const run = useRun();
  const place = useHand((state) => state.place);
  const corner = place?.kind === "corner" && run.corners?.find((item) => item.node === place.key);
  if (!corner) {
    return run.corners?.length ? (
      <p className="muted mt-1 text-[12px]">Press a corner on the sheet or the Tape to give it a manner of its own.</p>
    ) : null;
  }
  const options = [["follow", "As the brush"], ...MANNERS] as [OwnManner, string][];
  const set = (manner: OwnManner) =>
    desk.command({ kind: "set-corner", run: run.id, node: corner.node, manner: manner === "follow" ? null : manner });
  return (
    <div className="mt-1.5 border-l-4 border-accent bg-base-200 px-2 py-1.5" data-testid="chosen-corner">
      <p className="mb-1 text-[12px] font-semibold">
        The corner at {fixed(corner.at, 1)} mm, turns {degrees(corner.turn)}
      </p>
      <Choice
        label="This corner"
        options={options}
        value={corner.own ? (corner.manner as OwnManner) : "follow"}
        onChange={(manner) => void set(manner)}
      />
    </div>
  );
}

/** Where the path crosses itself. */
export function Crossings() {
  const desk = useDesk();
  const run = useRun();
  const place = useHand((state) => state.place);
  const rule = run.settings.crossings!;
  const crossings = run.crossings ?? [];
  const chosen = place?.kind === "crossing" && crossings.find((item) => item.key === place.key);
  return (
    <>
      <Heading>
        Where it crosses itself
        <Own pointer="/crossings/manner" label="Where it crosses itself" />
      </Heading>
      <Options label="Where it crosses itself" pointer="/crossings/manner" options={CROSSINGS} value={rule.manner!} />
      {rule.manner === "over-under" && (
        <>
          <NumberRow label="Clearance" pointer="/crossings/clearance" value={mmText(rule.clearance)} step={0.1} />
          {crossings.length > 0 && !chosen && (
            <p className="muted mt-1 text-[12px]">{plural(crossings.length, "crossing")}. Press one on the sheet to flip it.</p>
          )}
        </>
      )}
      {chosen && (
        <div className="mt-1.5 flex items-center justify-between border-l-4 border-accent bg-base-200 px-2 py-1.5">
          <span className="text-[12px] font-semibold">The crossing at {degrees(chosen.angle)}</span>
          <QuietButton onClick={() => desk.command({ kind: "flip-crossing", run: run.id, key: chosen.key })}>
            Flip over and under
          </QuietButton>
        </div>
      )}
    </>
  );
}
