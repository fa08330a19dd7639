/** What happened and what to do, over the foot of the sheet until it is closed. */
import { X } from "lucide-react";

import { tableState, useTableState } from "./state";

export function NoticeBar() {
  const notice = useTableState((state) => state.notice);
  return (
    <div aria-live="assertive" className="pointer-events-none absolute inset-x-0 bottom-3 z-20 flex justify-center">
      {notice && (
        <div
          className={`pointer-events-auto flex max-w-[560px] items-start gap-3 rounded-box border-l-4 bg-base-100 px-3 py-2 text-base-content shadow-lg ${
            notice.tone === "fault" ? "border-error" : "border-accent"
          }`}
        >
          <span>{notice.text}</span>
          <button
            className="cursor-pointer rounded-field p-0.5 hover:bg-base-200"
            aria-label="Put this message away"
            onClick={() => tableState().set({ notice: null })}
          >
            <X size={16} />
          </button>
        </div>
      )}
    </div>
  );
}
