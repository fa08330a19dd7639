/** What a drawing holds, sorted into seam groups: the person says what is taken and as what. */
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";

import { api } from "@/shared/api/client";
import type { DrawingLooked } from "@/shared/api/types";
import { Choice } from "@/shared/ui/Choice";
import { Pick } from "@/shared/ui/Pick";
import { Tick } from "@/shared/ui/Tick";
import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";

import { useSheetSession } from "../sheet";

const BY = [
  ["layers", "By layer"],
  ["colours", "By line colour"],
  ["styles", "By line style"],
  ["one", "All as one"],
] as const;
type By = (typeof BY)[number][0];

/** How often the server is asked while it reads, ms. */
const EVERY = 150;

/** A drawing that has been sent to be read, and the page of its file that is read. */
export interface Drawing {
  id: string;
  title: string;
  file: File;
  page: number;
}

interface Props {
  drawing: Drawing;
  onPage: (page: number) => void;
  onDone: () => void;
}

export function ImportDialog({ drawing, onPage, onDone }: Props) {
  const session = useSheetSession();
  const { bare, text } = useLength();
  const dialog = useRef<HTMLDialogElement>(null);
  const [by, setBy] = useState<By>("layers");
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [names, setNames] = useState<Record<string, string>>({});
  const [fills, setFills] = useState(true);
  const [busy, setBusy] = useState(false);
  const { data, error } = useQuery({
    queryKey: ["drawing", drawing.id, by],
    queryFn: () => api.drawing(drawing.id, by),
    refetchInterval: (query) => (query.state.data?.done || query.state.error ? false : EVERY),
    retry: false,
  });
  useEffect(() => {
    dialog.current?.showModal();
  }, []);
  // What was last heard of a drawing that then failed says no more.
  const reading = data && !data.done && !error ? data : null;
  const groups = data?.groups ?? [];
  const taken = groups.filter((group) => !left.has(group.key));
  const count = taken.reduce((sum, group) => sum + group.paths, 0);
  const cancel = () => {
    if (reading) void api.stopDrawing(drawing.id);
    onDone();
  };
  const take = async () => {
    setBusy(true);
    const named = Object.fromEntries(taken.map((group) => [group.key, names[group.key] ?? group.name]));
    const refusal = await session.useDrawing(drawing.id, { title: drawing.title, by, taken: named, fills });
    setBusy(false);
    if (!refusal) onDone();
  };
  return (
    <dialog
      ref={dialog}
      aria-label={`Import ${drawing.title}`}
      className="m-auto w-[880px] max-w-[94vw] rounded-box border border-base-300 bg-base-100 p-4 text-base-content backdrop:bg-black/40"
      onCancel={(event) => {
        event.preventDefault();
        cancel();
      }}
    >
      <h2 className="text-[18px] font-bold">Import {drawing.title}</h2>
      {error && <p className="my-2 border-l-4 border-error bg-error/15 px-2.5 py-1.5">{error.message}</p>}
      {reading && <Reading looked={reading} />}
      {data?.done && (
        <>
          <p className="muted mb-2">
            <span className="measure">
              {bare(data.width, 1)} × {text(data.height, 1)}
            </span>{" "}
            as drawn. Each group below becomes a seam group, with its line colour for a mark.
          </p>
          <div className="flex items-center gap-4">
            {data.pages > 1 && (
              <label className="flex items-center gap-2">
                Page
                <Pick label="Page of the file" value={drawing.page} onPick={(page) => onPage(Number(page))}>
                  {Array.from({ length: data.pages }, (_, at) => (
                    <option key={at} value={at + 1}>
                      {at + 1} of {data.pages}
                    </option>
                  ))}
                </Pick>
              </label>
            )}
            <Choice label="Sorted into groups" options={BY} value={by} onChange={setBy} />
          </div>
          <div className="mt-2 grid grid-cols-[1fr_360px] gap-3">
            <Picture looked={data} left={left} />
            <ul aria-label="Groups found" className="max-h-[380px] overflow-y-auto">
              {groups.map((group) => (
                <li key={group.key} className="flex items-center gap-2 border-b border-dotted border-base-300 py-1">
                  <input
                    type="checkbox"
                    aria-label={`Import ${group.name}`}
                    className="size-4 shrink-0 accent-(--color-secondary)"
                    checked={!left.has(group.key)}
                    onChange={(event) => {
                      const next = new Set(left);
                      if (event.target.checked) next.delete(group.key);
                      else next.add(group.key);
                      setLeft(next);
                    }}
                  />
                  <span
                    aria-hidden
                    className="own-colour size-3 shrink-0 rounded-full border border-base-content/40"
                    style={{ background: group.mark }}
                  />
                  <input
                    aria-label={`Name of ${group.name}`}
                    className="min-w-0 flex-1 rounded-field border border-(--edge) bg-base-100 px-1.5 py-0.5"
                    value={names[group.key] ?? group.name}
                    maxLength={120}
                    onChange={(event) => setNames({ ...names, [group.key]: event.target.value })}
                  />
                  <span className="measure muted whitespace-nowrap text-[12px]">{plural(group.paths, "path")}</span>
                </li>
              ))}
            </ul>
          </div>
          <Tick label="Its fills stay beneath, as the garment’s picture" on={fills} onChange={setFills} />
          {data.notes.map((note) => (
            <p key={note} className="muted text-[12px]">
              {note}
            </p>
          ))}
        </>
      )}
      <div className="mt-3 flex justify-end gap-2">
        <button
          className="cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content"
          onClick={cancel}
        >
          {reading ? "Stop" : "Cancel"}
        </button>
        <button
          className="cursor-pointer rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105 disabled:cursor-default disabled:opacity-50"
          disabled={!data?.done || !count || busy}
          onClick={() => void take()}
        >
          {busy ? "Putting it on the sheet" : `Import ${plural(count, "path")}`}
        </button>
      </div>
    </dialog>
  );
}

function Reading({ looked }: { looked: DrawingLooked }) {
  return (
    <div className="my-6">
      <progress className="progress w-full" aria-label="Reading the drawing" value={looked.share} max={1} />
      <p className="muted">{looked.doing}</p>
    </div>
  );
}

/** The drawing in its marks' colours; what is left out is faint. */
function Picture({ looked, left }: { looked: DrawingLooked; left: ReadonlySet<string> }) {
  const margin = Math.max(looked.width, looked.height) * 0.02;
  const box = `${-margin} ${-margin} ${looked.width + 2 * margin} ${looked.height + 2 * margin}`;
  return (
    <svg
      viewBox={box}
      className="h-[380px] w-full rounded-field border border-(--edge) bg-[#f7f4eb]"
      role="img"
      aria-label="The drawing"
    >
      {looked.groups.map((group) => (
        <path
          key={group.key}
          d={group.d}
          fill="none"
          stroke={group.mark}
          strokeWidth={1.2}
          opacity={left.has(group.key) ? 0.12 : 1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
