/** A brush that is used is about to change: do its runs follow, or stay as they were? */
import { useEffect, useRef } from "react";

import { followOrKeep, plural } from "@/shared/ui/words";

import { useBench } from "./bench";

export function FollowOrKeep() {
  const asking = useBench((state) => state.asking);
  const brush = useBench((state) => state.brush);
  const dialog = useRef<HTMLDialogElement>(null);
  const title = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (asking) {
      dialog.current?.showModal();
      // Not on a button: the Enter that led here must not answer for the person.
      title.current?.focus();
    } else {
      dialog.current?.close();
    }
  }, [asking]);
  const words = followOrKeep(brush?.used_by ?? 0, "copy");
  return (
    <dialog
      ref={dialog}
      aria-labelledby="follow-title"
      className="m-auto w-[420px] rounded-box border border-base-300 bg-base-100 p-4 text-base-content backdrop:bg-black/40"
      onCancel={(event) => {
        event.preventDefault();
        asking?.(null);
      }}
    >
      {asking && (
        <>
          <h2 ref={title} tabIndex={-1} id="follow-title" className="text-[18px] font-bold">
            {plural(brush?.used_by ?? 0, "path uses", "paths use")} this brush
          </h2>
          <p className="mt-1">{words.question}</p>
          <div className="mt-4 flex gap-2">
            <button
              className="cursor-pointer rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
              onClick={() => asking?.(false)}
            >
              {words.follow}
            </button>
            <button
              className="cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content"
              onClick={() => asking?.(true)}
            >
              {words.keep}
            </button>
            <button
              className="ml-auto cursor-pointer rounded-field px-2 py-1 hover:bg-base-200"
              onClick={() => asking?.(null)}
            >
              Cancel
            </button>
          </div>
        </>
      )}
    </dialog>
  );
}
