/** How corners are turned: all of them, and the chosen one for itself. */
import { CornerRules, CrossingRules } from "@/shared/maker/CornerRules";
import type { CornerShown } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";
import { Pick } from "@/shared/ui/Pick";
import { CROSSINGS, MANNERS, wordOf } from "@/shared/ui/trade";
import { degrees, fixed } from "@/shared/ui/words";

import { useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { useBroughtIntoView, useOpenedFor } from "./inView";
import { useRun } from "./settings";

export function Corners() {
  const { corners = [], settings } = useRun();
  useOpenedFor(
    "corners",
    useTableState((state) => (state.place?.kind === "corner" ? state.place.key : null)),
  );
  return (
    <Decision
      id="corners"
      label="Corners"
      set={wordOf(MANNERS, settings.corners!.manner)}
      result={cornerWords(corners)}
      pointers={["/corners"]}
    >
      <CornerRules also={corners.map((corner) => corner.manner)} />
      <ChosenCorner />
    </Decision>
  );
}

function cornerWords(corners: readonly CornerShown[]): string {
  const [only] = corners;
  if (!only) return "none here";
  if (corners.length === 1) return `1, turns ${degrees(only.turn)}`;
  const own = corners.filter((corner) => corner.own).length;
  return own ? `${corners.length}, ${own} of its own` : String(corners.length);
}

type OwnManner = (typeof MANNERS)[number][0] | "follow";

function ChosenCorner() {
  const session = useSheetSession();
  const run = useRun();
  const place = useTableState((state) => state.place);
  const corners = run.corners ?? [];
  const corner = place?.kind === "corner" && corners.find((item) => item.node === place.key);
  const box = useBroughtIntoView<HTMLDivElement>(corner ? corner.node : null);
  if (!corners.length) return null;
  const which = (
    <Pick
      label="Corner to set"
      className="mt-1.5 w-full"
      value={corner ? corner.node : ""}
      onPick={(node) => tableState().set({ place: node ? { kind: "corner", key: node } : null })}
    >
      <option value="">All corners alike; or one by itself …</option>
      {corners.map((item, index) => (
        <option key={item.node} value={item.node}>
          Corner {index + 1} of {corners.length}, turns {degrees(item.turn)}
          {item.own ? ", its own" : ""}
        </option>
      ))}
    </Pick>
  );
  if (!corner) return which;
  const options = [["follow", "As the brush"], ...MANNERS] as [OwnManner, string][];
  const set = (manner: OwnManner) =>
    session.command({
      kind: "set-corner",
      run: run.id,
      node: corner.node,
      manner: manner === "follow" ? null : manner,
    });
  return (
    <>
      {which}
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
    </>
  );
}

/** Where the path crosses itself. */
export function Crossings() {
  const session = useSheetSession();
  const run = useRun();
  const rule = run.settings.crossings!;
  const crossings = run.crossings ?? [];
  return (
    <Decision
      id="crossings"
      label="Crossings"
      set={wordOf(CROSSINGS, rule.manner)}
      result={String(crossings.length)}
      pointers={["/crossings"]}
    >
      <CrossingRules />
      {rule.manner === "over-under" && (
        <>
          <p className="muted mt-1 text-[12px]">Press a crossing’s mark on the sheet to flip it, or here.</p>
          <div className="mt-1 flex flex-wrap gap-1">
            {crossings.map((crossing, index) => (
              <QuietButton
                key={crossing.key}
                onClick={() => session.command({ kind: "flip-crossing", run: run.id, key: crossing.key })}
              >
                Flip {crossings.length > 1 ? index + 1 : "it"}, at {degrees(crossing.angle)}
              </QuietButton>
            ))}
          </div>
        </>
      )}
    </Decision>
  );
}
