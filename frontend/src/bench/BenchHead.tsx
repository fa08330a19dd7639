/** The Bench's head strip: the brush's name, undo and redo, its earlier versions, and the doors. */
import { Panel } from "@/shared/ui/Panel";
import { stop } from "@/shared/ui/stops";
import { wayToTable } from "@/shared/lastSheet";
import { useState } from "react";
import { Link } from "react-router";

import { plural } from "@/shared/ui/words";

import { useBench, useWorkbench } from "./bench";

const quiet =
  "cursor-pointer rounded-field px-2 py-1 hover:bg-white/10 aria-disabled:cursor-default aria-disabled:text-[#98a0b3] aria-disabled:hover:bg-transparent";

export function BenchHead() {
  const workbench = useWorkbench();
  const brush = useBench((state) => state.brush)!;
  return (
    <Panel
      as="header"
      across
      label="Head strip"
      className="head col-span-3 flex min-w-0 items-center gap-3 bg-neutral px-3.5 whitespace-nowrap text-neutral-content max-[899px]:col-span-1 max-[899px]:gap-1"
    >
      <h1 className="font-bold">Bench</h1>
      <BrushName />
      <span className="measure truncate text-[#cfd3de] max-[899px]:hidden">
        {brush.builtin ? "built in" : "your own"} · used by {plural(brush.used_by, "run")}
      </span>
      <span className="ml-auto flex items-center gap-1">
        <button
          {...stop}
          className={quiet}
          // Not disabled: what has the focus keeps it.
          aria-disabled={!brush.undo}
          title={brush.undo ? `Undo: ${brush.undo}` : "Nothing to undo"}
          onClick={() => brush.undo && void workbench.undo()}
        >
          Undo
        </button>
        <button
          {...stop}
          className={quiet}
          aria-disabled={!brush.redo}
          title={brush.redo ? `Redo: ${brush.redo}` : "Nothing to redo"}
          onClick={() => brush.redo && void workbench.redo()}
        >
          Redo
        </button>
        <Earlier />
        <Link {...stop} className={quiet} to="/library">
          Library
        </Link>
        <Link
          {...stop}
          className="rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
          to={wayToTable()}
        >
          Back to the Table
        </Link>
      </span>
    </Panel>
  );
}

function BrushName() {
  const workbench = useWorkbench();
  const name = useBench((state) => state.brush!.doc.name!);
  const [entered, setTyped] = useState<string | null>(null);
  const keep = () => {
    if (entered !== null && entered.trim() && entered !== name) void workbench.make({ kind: "rename", name: entered });
    setTyped(null);
  };
  return (
    <input
      aria-label="Name of the brush"
      data-unsaved={entered === null ? undefined : ""}
      className="w-[230px] min-w-0 rounded-field max-[899px]:w-[120px] border border-transparent bg-transparent px-1.5 py-0.5 hover:border-white/30 focus:border-white/60"
      maxLength={120}
      value={entered ?? name}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === "Enter") keep();
        if (event.key === "Escape") setTyped(null);
      }}
    />
  );
}

/** Every edit that is kept, newest first; any can be gone back to. */
function Earlier() {
  const workbench = useWorkbench();
  const { versions, version } = useBench((state) => state.brush)!;
  const [open, setOpen] = useState(false);
  return (
    <span className="relative">
      <button
        {...stop}
        className={quiet}
        aria-expanded={open}
        aria-disabled={!versions.length}
        onClick={() => versions.length > 0 && setOpen(!open)}
      >
        History
      </button>
      {open && (
        <ol
          aria-label="History, newest first"
          className="absolute top-9 right-0 z-30 max-h-[420px] w-[300px] overflow-y-auto rounded-box border border-base-300 bg-base-100 p-2 text-base-content shadow-lg"
        >
          {versions.map((item) => (
            <li
              key={item.number}
              className="flex items-center gap-2 border-b border-dotted border-base-300 py-1 last:border-0"
            >
              <span className="min-w-0 flex-1">
                <span className="block truncate">{item.label}</span>
                <span className="measure muted">{item.made.replace("T", " ").slice(0, 16)}</span>
              </span>
              {item.number === version ? (
                <span className="muted text-[12px]">now</span>
              ) : (
                <button
                  className="cursor-pointer rounded-field border border-(--edge) px-2 py-0.5 text-[12px] hover:border-base-content"
                  onClick={() => {
                    setOpen(false);
                    void workbench.goBack(item.number);
                  }}
                >
                  Go back to it
                </button>
              )}
            </li>
          ))}
        </ol>
      )}
    </span>
  );
}
