/** What happened and what to do, over the foot of the sheet: a fault until it is closed, a word for a while. */
import { X } from "lucide-react";
import { useEffect } from "react";

import { tableState, useTableState } from "./state";

/** How long a word stays, ms: long enough to be read, and to be undone from. */
const STAYS = 12_000;

export function NoticeBar() {
  const notice = useTableState((state) => state.notice);
  useEffect(() => {
    if (notice?.tone !== "word") return;
    const timer = setTimeout(() => tableState().notice === notice && tableState().set({ notice: null }), STAYS);
    return () => clearTimeout(timer);
  }, [notice]);
  return (
    <div aria-live="assertive" className="pointer-events-none absolute inset-x-0 bottom-3 z-20 flex justify-center">
      {notice && (
        <div
          className={`pointer-events-auto flex max-w-[560px] items-start gap-3 rounded-box border-l-4 bg-base-100 px-3 py-2 text-base-content shadow-lg ${
            notice.tone === "fault" ? "border-error" : "border-accent"
          }`}
        >
          <span>{notice.text}</span>
          {notice.action && (
            <button
              className="cursor-pointer font-semibold text-accent underline underline-offset-2"
              onClick={() => {
                tableState().set({ notice: null });
                notice.action!.act();
              }}
            >
              {notice.action.label}
            </button>
          )}
          <button
            className="grid size-6 cursor-pointer place-items-center rounded-field hover:bg-base-200"
            aria-label="Close this message"
            onClick={() => tableState().set({ notice: null })}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      )}
    </div>
  );
}
