/** What happened, until it is closed. */
import { X } from "lucide-react";

import { bench, useBench } from "./bench";

export function Notice() {
  const notice = useBench((state) => state.notice);
  return (
    <div aria-live="assertive" className="pointer-events-none fixed inset-x-0 bottom-3 z-20 flex justify-center">
      {notice && (
        <div className="pointer-events-auto flex max-w-[560px] items-start gap-3 rounded-box border-l-4 border-accent bg-base-100 px-3 py-2 shadow-lg">
          <span>{notice}</span>
          <button
            className="cursor-pointer rounded-field p-0.5 hover:bg-base-200"
            aria-label="Close this message"
            onClick={() => bench().set({ notice: null })}
          >
            <X size={16} />
          </button>
        </div>
      )}
    </div>
  );
}
