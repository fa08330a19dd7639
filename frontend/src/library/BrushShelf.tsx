/** Every brush as a strip; those ticked can be exported as files. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { KINDS, useFamilies } from "@/shared/families";
import { api } from "@/shared/api/client";
import type { BrushShown } from "@/shared/api/types";
import { LaterImage } from "@/shared/ui/LaterImage";
import { Choice } from "@/shared/ui/Choice";
import { matches } from "@/shared/ui/SearchField";
import { plural } from "@/shared/ui/words";
import { Pick } from "@/shared/ui/Pick";

import { quiet, Shelf, type ShelfProps, type Told } from "./Shelf";
import { ImportBrushes } from "./ImportBrushes";
import { UnreadableShelf } from "./UnreadableShelf";

const NONE = "No brush matches that. Shorten the search, or choose All.";
const NO_LOOKS = "There are no looks yet. On the Table, choose a path, open the row Brush and keep its look.";
const ALL = [["all", "All"], ...KINDS] as const;
type Kind = (typeof ALL)[number][0];

/** `looks` says whether it is the looks that are shown, or all other brushes. */
export function BrushShelf({ looks, sought, onNotice }: ShelfProps & { looks: boolean }) {
  const { data, error } = useQuery({ queryKey: ["brushes"], queryFn: api.brushes, staleTime: 0 });
  const [kind, setKind] = useState<Kind>("all");
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const shown = data?.brushes.filter(
    (brush) =>
      brush.look === looks && (kind === "all" || brush.kind === kind) && matches(`${brush.name} ${brush.kind}`, sought),
  );
  const pick = (id: string) => {
    const next = new Set(picked);
    if (!next.delete(id)) next.add(id);
    setPicked(next);
  };
  return (
    <Shelf
      error={error}
      first={<UnreadableShelf kind="brush" onNotice={onNotice} />}
      none={shown?.length === 0 && (looks && !sought && kind === "all" ? NO_LOOKS : NONE)}
      tools={
        <>
          <Choice label="Kind of brush" options={ALL} value={kind} onChange={setKind} />
          <span className="ml-auto flex items-center gap-2">
            {!looks && <NewBrush onFault={onNotice} />}
            <ImportBrushes onDone={onNotice} />
            <GiveOut picked={picked} onNotice={onNotice} />
          </span>
        </>
      }
    >
      {shown?.map((brush) => (
        <Card
          key={brush.id}
          brush={brush}
          picked={picked.has(brush.id)}
          onPick={() => pick(brush.id)}
          onNotice={onNotice}
        />
      ))}
    </Shelf>
  );
}

function GiveOut({ picked, onNotice }: { picked: ReadonlySet<string>; onNotice: (text: string) => void }) {
  if (picked.size > 0) {
    return (
      <a
        className="rounded-field border border-(--edge) bg-base-100 px-3 py-1 hover:border-base-content"
        href={`/api/brush-files?ids=${[...picked].join(",")}`}
        download
      >
        Export {plural(picked.size, "brush", "brushes")}
      </a>
    );
  }
  return (
    <button
      className="cursor-not-allowed rounded-field border border-(--edge) px-3 py-1 text-(--muted)"
      aria-disabled
      title="Tick brushes to export them as files"
      onClick={() => onNotice("Tick the brushes to export, then press this again.")}
    >
      Export
    </button>
  );
}

interface CardProps {
  brush: BrushShown;
  picked: boolean;
  onPick: () => void;
  onNotice: Told;
}

function Card({ brush, picked, onPick, onNotice }: CardProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const attempt = async (work: () => Promise<unknown>) => {
    try {
      await work();
      await queries.invalidateQueries({ queryKey: ["brushes"] });
      await queries.invalidateQueries({ queryKey: ["sheet"] });
    } catch (error) {
      onNotice((error as Error).message);
    }
  };
  const remove = async () => {
    await api.removeBrush(brush.id);
    onNotice(`“${brush.name}” is removed.`, () => api.putBackBrush(brush.id));
  };
  return (
    <li className="rounded-box border border-base-300 bg-base-100 p-2" data-testid={`card-${brush.id}`}>
      <div className="flex items-center gap-2">
        <label className="flex min-w-0 flex-1 cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="size-4 shrink-0 accent-(--color-secondary)"
            checked={picked}
            onChange={onPick}
          />
          <span className="truncate font-semibold">{brush.name}</span>
        </label>
        <span className="muted text-[12px] whitespace-nowrap">
          {brush.kind}, {brush.look ? "look" : brush.builtin ? "built in" : "your own"}
        </span>
      </div>
      <Link to={`/bench/${brush.id}`} aria-label={`${brush.name}, on the Bench`} title="Open on the Bench">
        <span className="my-1.5 grid min-h-[64px] items-center overflow-hidden rounded-[3px] bg-(--cloth)">
          <LaterImage src={`/api/brushes/${brush.id}/strip.svg?key=${brush.key}`} alt="" className="block w-full" />
        </span>
      </Link>
      <div className="flex items-center gap-1.5">
        <Link className={quiet} to={`/bench/${brush.id}`}>
          On the Bench
        </Link>
        <button
          className={quiet}
          onClick={() =>
            void attempt(async () => {
              const made = await api.newBrush({ copy_of: brush.id });
              void navigate(`/bench/${made.id}`);
            })
          }
        >
          Copy
        </button>
        {!brush.builtin && (
          <button className={quiet} onClick={() => void attempt(remove)}>
            Remove
          </button>
        )}
        {brush.used_by > 0 && <span className="measure muted ml-auto">{plural(brush.used_by, "run")}</span>}
      </div>
    </li>
  );
}

/** A new brush, empty or of a family, straight to the Bench. */
function NewBrush({ onFault }: { onFault: (text: string) => void }) {
  const navigate = useNavigate();
  const families = useFamilies().filter((family) => !family.piece);
  const make = async (value: string) => {
    const [what, name] = value.split(":") as ["empty" | "family", string];
    try {
      const made = await api.newBrush({ [what]: name });
      void navigate(`/bench/${made.id}`);
    } catch (error) {
      onFault((error as Error).message);
    }
  };
  return (
    <Pick
      label="New brush"
      className="border-primary! bg-primary! px-2.5! py-1! font-semibold text-primary-content"
      value=""
      onPick={(picked) => picked && void make(picked)}
    >
      <option value="">New brush …</option>
      {KINDS.map(([kind, name]) => (
        <optgroup key={kind} label={name}>
          <option value={`empty:${kind}`}>Empty, to be drawn</option>
          {families
            .filter((family) => family.kind === kind)
            .map((family) => (
              <option key={family.id} value={`family:${family.id}`}>
                {family.name}
              </option>
            ))}
        </optgroup>
      ))}
    </Pick>
  );
}
