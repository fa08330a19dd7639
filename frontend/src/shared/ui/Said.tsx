/** What happened and what can be done about it, over the foot of the page until it is closed; a word for a while. */
import { X } from "lucide-react";
import { useEffect } from "react";

export interface Notice {
  tone: "fault" | "word";
  text: string;
  /** What can be done about it, from where it is said. */
  action?: { label: string; act: () => void };
  /** Whether a word stays until it is closed, too. */
  stays?: boolean;
}

/** How long a word stays, ms: long enough to be read, and to be undone from. */
const STAYS = 12_000;

interface Props {
  notice: Notice | null;
  onClose: () => void;
  /** Over the part of the page that it is in, rather than over all of it. */
  within?: boolean;
}

export function Said({ notice, onClose, within }: Props) {
  const passes = notice?.tone === "word" && !notice.stays;
  useEffect(() => {
    if (!passes) return;
    const timer = setTimeout(onClose, STAYS);
    return () => clearTimeout(timer);
    // What closes it may be made anew at every rendering.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [notice, passes]);
  return (
    <div
      data-testid="notice"
      role="status"
      aria-live={notice?.tone === "fault" ? "assertive" : "polite"}
      className={`pointer-events-none inset-x-0 bottom-3 z-20 flex justify-center ${within ? "absolute" : "fixed"}`}
    >
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
                onClose();
                notice.action!.act();
              }}
            >
              {notice.action.label}
            </button>
          )}
          <button
            className="grid size-6 cursor-pointer place-items-center rounded-field hover:bg-base-200"
            aria-label="Close this message"
            onClick={onClose}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      )}
    </div>
  );
}
