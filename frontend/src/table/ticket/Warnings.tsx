/** Warnings as one line; shown in words, each with its places and its mend where there are some. */
import { useEffect, useState } from "react";

import type { WarningShown } from "@/shared/api/types";
import { stop } from "@/shared/ui/stops";
import { plural } from "@/shared/ui/words";

import { tableState, useTableState } from "../state";
import { centred, inSight } from "../view";
import { useRun, useSettings } from "./settings";

export function Warnings() {
  const { warnings = [] } = useRun();
  const [shown, setShown] = useState(false);
  const [first] = warnings;
  return (
    <div aria-live="polite">
      {first && (
        <button
          {...stop}
          data-testid="warnings"
          className="flex min-h-6 w-full cursor-pointer items-baseline gap-2 border-l-4 border-error bg-error/12 px-2 py-0.5 text-left text-[12px]"
          title={shown ? undefined : first.message}
          aria-expanded={shown}
          onClick={() => setShown(!shown)}
        >
          <span className="min-w-0 flex-1 truncate">
            {warnings.length > 1 && `${plural(warnings.length, "warning")}: `}
            {first.message}
          </span>
          <span className="font-semibold">{shown ? "hide" : "show"}</span>
        </button>
      )}
      {shown && (
        <ul aria-label="Warnings">
          {warnings.map((warning, index) => (
            <Warning key={index} warning={warning} />
          ))}
        </ul>
      )}
    </div>
  );
}

const LINK = "cursor-pointer text-left font-semibold underline underline-offset-2";

function Warning({ warning }: { warning: WarningShown }) {
  const run = useRun();
  const settings = useSettings();
  const { mend } = warning;
  return (
    <li
      data-warning={warning.code}
      className="mt-0.5 border-l-4 border-error/40 bg-error/12 px-2 py-1 text-[12px] leading-[1.4]"
    >
      {warning.message} {warning.places.length > 0 && <Look places={warning.places} />}{" "}
      {mend && (
        <button {...stop} className={LINK} onClick={() => void settings.keepAll(mend.settings, run.id)}>
          {mend.label}
        </button>
      )}
    </li>
  );
}

/** Brings the places of a warning into sight, one after another. */
function Look({ places }: { places: WarningShown["places"] }) {
  const looked = useTableState((state) => state.looked);
  const at = looked?.spots === places ? looked.at : -1;
  useEffect(() => () => tableState().set({ looked: null }), [places]);
  const look = () => {
    const next = (at + 1) % places.length;
    const { view, window } = tableState();
    const spot = places[next]!;
    tableState().set({ looked: { spots: places, at: next } });
    if (view && !inSight(view, window, spot)) tableState().set({ view: centred(view, window, spot) });
  };
  const which = at >= 0 ? `${at + 1} of ${places.length}` : "";
  return (
    <button {...stop} className={LINK} data-testid="look" onClick={look}>
      {at < 0 ? "Show where" : places.length > 1 ? `Show the next (${which})` : "Show it again"}
    </button>
  );
}
