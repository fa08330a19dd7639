/** One decision of a maker's, as a row: what is set and what came of it, opened in its place to change it. */
import { stop } from "@/shared/ui/stops";
import { useId } from "react";

import { ownOf, useMakerIfAny } from "./maker";
import { useOpenRows } from "./openRows";

interface Props {
  /** What it is known by, so that it stays open for the next path. */
  id: string;
  label: string;
  /** What is set, in words or numbers. */
  set: React.ReactNode;
  /** What came of it. */
  result?: React.ReactNode;
  /** The settings that it holds, as JSON Pointers. */
  pointers?: readonly string[];
  children: React.ReactNode;
}

export function Decision({ id, label, set, result, pointers = [], children }: Props) {
  const maker = useMakerIfAny();
  const open = useOpenRows((state) => state.open.has(id));
  const body = useId();
  const own = maker ? ownOf(maker, pointers) : [];
  const row = useOpenRows.getState();
  return (
    <section
      // Keys of what is inside come by here.
      role="presentation"
      data-row={id}
      className={`border-b ${open ? "-mx-3.5 border-base-content bg-base-200 px-3.5 pb-2" : "border-dotted border-base-300"}`}
      onKeyDown={(event) => {
        if (event.key !== "Escape" || !open) return;
        event.stopPropagation();
        row.fold(id);
        event.currentTarget.querySelector<HTMLElement>("[data-stop]")?.focus();
      }}
    >
      <h3>
        <button
          {...stop}
          className="flex min-h-7 w-full cursor-pointer items-baseline gap-2 py-[3px] text-left hover:bg-base-200"
          id={`${body}-name`}
          aria-expanded={open}
          aria-controls={open ? body : undefined}
          onClick={(event) => row.press(id, event.shiftKey)}
        >
          <span className="w-[70px] shrink-0 font-semibold">{label}</span>
          <span className="min-w-0 flex-1 truncate">{set}</span>
          {result !== undefined && <span className="measure muted shrink-0 text-right">{result}</span>}
          {own.length > 0 && (
            <span className="size-2 shrink-0 self-center rounded-full bg-base-content" title="This path’s own">
              <span className="sr-only">, this path’s own</span>
            </span>
          )}
        </button>
      </h3>
      {open && (
        <div id={body} role="group" aria-labelledby={`${body}-name`}>
          {children}
          {maker && own.length > 0 && (
            <button
              className="mt-1.5 min-h-6 cursor-pointer text-[12px] text-accent underline decoration-dotted underline-offset-2"
              onClick={() => maker.follow([...own])}
            >
              Follow the brush again
            </button>
          )}
        </div>
      )}
    </section>
  );
}
