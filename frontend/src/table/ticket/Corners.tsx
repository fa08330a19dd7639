/** How corners are turned: all of them, and the chosen one for itself. */
import { CornerRules, CrossingRules } from "@/shared/maker/CornerRules";
import { Heading } from "@/shared/maker/Heading";
import { Own } from "@/shared/maker/Own";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";
import { MANNERS } from "@/shared/ui/trade";
import { degrees, fixed, plural } from "@/shared/ui/words";

import { useSheetSession } from "../sheet";
import { useTableState } from "../state";
import { useBroughtIntoView } from "./inView";
import { useRun } from "./settings";

export function Corners() {
  const { corners = [] } = useRun();
  return (
    <>
      <Heading>
        At corners <span className="muted font-normal">{plural(corners.length, "corner")}</span>
        <Own pointer="/corners/manner" label="At corners" />
      </Heading>
      <CornerRules also={corners.map((corner) => corner.manner)} />
      <ChosenCorner />
    </>
  );
}

type OwnManner = (typeof MANNERS)[number][0] | "follow";

function ChosenCorner() {
  const session = useSheetSession();
  const run = useRun();
  const place = useTableState((state) => state.place);
  const corner = place?.kind === "corner" && run.corners?.find((item) => item.node === place.key);
  const box = useBroughtIntoView<HTMLDivElement>(corner ? corner.node : null);
  if (!corner) {
    return run.corners?.length ? (
      <p className="muted mt-1 text-[12px]">Press a corner on the sheet or the Tape to give it a manner of its own.</p>
    ) : null;
  }
  const options = [["follow", "As the brush"], ...MANNERS] as [OwnManner, string][];
  const set = (manner: OwnManner) =>
    session.command({
      kind: "set-corner",
      run: run.id,
      node: corner.node,
      manner: manner === "follow" ? null : manner,
    });
  return (
    <div ref={box} className="mt-1.5 border-l-4 border-accent bg-base-200 px-2 py-1.5" data-testid="chosen-corner">
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
  const session = useSheetSession();
  const run = useRun();
  const place = useTableState((state) => state.place);
  const rule = run.settings.crossings!;
  const crossings = run.crossings ?? [];
  const chosen = place?.kind === "crossing" && crossings.find((item) => item.key === place.key);
  const box = useBroughtIntoView<HTMLDivElement>(chosen ? chosen.key : null);
  return (
    <>
      <Heading>
        Where it crosses itself
        <Own pointer="/crossings/manner" label="Where it crosses itself" />
      </Heading>
      <CrossingRules />
      {rule.manner === "over-under" && crossings.length > 0 && !chosen && (
        <p className="muted mt-1 text-[12px]">
          {plural(crossings.length, "crossing")}. Press one on the sheet to flip it.
        </p>
      )}
      {chosen && (
        <div
          ref={box}
          className="mt-1.5 flex items-center justify-between border-l-4 border-accent bg-base-200 px-2 py-1.5"
        >
          <span className="text-[12px] font-semibold">The crossing at {degrees(chosen.angle)}</span>
          <QuietButton onClick={() => session.command({ kind: "flip-crossing", run: run.id, key: chosen.key })}>
            Flip over and under
          </QuietButton>
        </div>
      )}
    </>
  );
}
