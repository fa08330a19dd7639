/** Warnings, in words, each with its mend where there is one. */
import type { WarningShown } from "@/shared/api/types";

import { useRun, useSettings } from "./settings";

const MAX = 4;

export function Warnings() {
  const { warnings = [] } = useRun();
  const more = warnings.length - MAX;
  return (
    <ul aria-label="Warnings" aria-live="polite">
      {warnings.slice(0, MAX).map((warning, index) => (
        <Warning key={index} warning={warning} />
      ))}
      {more > 0 && <li className="mt-1 text-[12px]">And {more} more like these.</li>}
    </ul>
  );
}

function Warning({ warning }: { warning: WarningShown }) {
  const run = useRun();
  const settings = useSettings();
  const { mend } = warning;
  return (
    <li
      data-warning={warning.code}
      className="mt-1.5 border-l-4 border-error bg-error/12 px-2.5 py-1.5 text-[12px] leading-[1.4]"
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
