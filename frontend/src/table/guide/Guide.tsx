/** The first steps, one at a time over the foot of the sheet: each goes on by itself once it is done. */
import { Check, X } from "lucide-react";
import { useEffect, useState } from "react";

import { announce } from "@/shared/announce";

import { useChosen } from "../sheet";
import { useTableState } from "../state";
import { guideTo, useGuide } from "./guide";
import { STEPS, type Watched } from "./steps";

export function Guide() {
  const step = useGuide((state) => state.step);
  return step === null ? null : <At key={step} step={step} />;
}

function At({ step }: { step: number }) {
  const { run } = useChosen();
  const chosen = useTableState((state) => state.chosen);
  const corner = useTableState((state) => (state.place?.kind === "corner" ? state.place.key : null));
  const exporting = useTableState((state) => state.exporting);
  const now: Watched = { chosen, run: run ?? null, corner, exporting };
  const [before, setBefore] = useState(now);
  // What is chosen anew is another thing that something can be done to.
  if (before.chosen !== chosen) setBefore(now);
  const asked = STEPS[step];
  const done = asked?.done(now, before) ?? false;
  useEffect(() => {
    if (done) guideTo(step + 1);
  }, [done, step]);
  useEffect(() => {
    if (step > 0)
      announce(asked ? `Guide, ${step + 1} of ${STEPS.length}: ${asked.title}. ${asked.text}` : THAT_WAS_IT);
  }, [step, asked]);
  return (
    <section
      aria-label="Guide"
      data-testid="guide"
      className="absolute right-3 bottom-12 z-10 w-[310px] max-w-[calc(100%-3rem)] rounded-box border border-(--edge) bg-base-100 px-3.5 py-2.5 text-base-content shadow-lg"
    >
      <p className="muted flex items-center text-[12px]">
        <span className="flex-1">Guide</span>
        <button
          className="-mr-1.5 grid size-6 cursor-pointer place-items-center rounded-field hover:bg-base-200"
          aria-label="Close the guide"
          title="Close the guide; it is under Help"
          onClick={() => guideTo(null)}
        >
          <X size={16} aria-hidden />
        </button>
      </p>
      <h2 className="font-bold">{asked?.title ?? "That was it"}</h2>
      <p className="mt-0.5 text-[13px] leading-[1.4]">{asked?.text ?? THAT_WAS_IT}</p>
      <div className="mt-2 flex items-center gap-1.5">
        {STEPS.map(({ title }, index) => (
          <span
            key={title}
            aria-hidden
            className={`grid size-4 place-items-center rounded-full border border-(--edge) ${
              index < step ? "bg-accent text-accent-content" : index === step ? "border-2 border-base-content" : ""
            }`}
          >
            {index < step && <Check size={11} strokeWidth={3} />}
          </span>
        ))}
        <span className="sr-only">{asked ? `Step ${step + 1} of ${STEPS.length}` : "All steps are done"}</span>
        <button
          className="ml-auto cursor-pointer rounded-field border border-(--edge) px-2.5 py-0.5 hover:border-base-content"
          onClick={() => guideTo(asked ? step + 1 : null)}
        >
          {asked ? "Next" : "Close"}
        </button>
      </div>
    </section>
  );
}

const THAT_WAS_IT = "Move a node or change the brush: everything laid with it follows. The ? key lists all keys.";
