/** Warnings as one line; shown in words, each with its mend where there is one. */
import { stop } from "@/shared/ui/stops";
import { useState } from "react";

import type { WarningShown } from "@/shared/api/types";
import { plural } from "@/shared/ui/words";

import { useRun, useSettings } from "./settings";

const MAX = 12;

export function Warnings() {
  const { warnings = [] } = useRun();
  const [shown, setShown] = useState(false);
  const [first] = warnings;
  const more = warnings.length - MAX;
  return (
    <div aria-live="polite">
      {first && (
        <button
          {...stop}
          data-testid="warnings"
          className="flex min-h-6 w-full cursor-pointer items-baseline gap-2 border-l-4 border-error bg-error/12 px-2 py-0.5 text-left text-[12px]"
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
          {warnings.slice(0, MAX).map((warning, index) => (
            <Warning key={index} warning={warning} />
          ))}
          {more > 0 && <li className="mt-1 text-[12px]">And {more} more like these.</li>}
        </ul>
      )}
    </div>
  );
}

function Warning({ warning }: { warning: WarningShown }) {
  const run = useRun();
  const settings = useSettings();
  const { mend } = warning;
  return (
    <li
      data-warning={warning.code}
      className="mt-0.5 border-l-4 border-error/40 bg-error/12 px-2 py-1 text-[12px] leading-[1.4]"
    >
      {warning.message}{" "}
      {mend && (
        <button
          className="cursor-pointer text-left font-semibold underline underline-offset-2"
          onClick={() => void settings.keepAll(mend.settings, run.id)}
        >
          {mend.label}
        </button>
      )}
    </li>
  );
}
