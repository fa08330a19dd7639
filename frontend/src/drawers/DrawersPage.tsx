/** The Drawers: every brush across all sheets, as strips at one common scale. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { KINDS, useFamilies } from "@/bench/families";
import { api } from "@/shared/api/client";
import type { BrushListed } from "@/shared/api/types";
import { Choice } from "@/shared/ui/Choice";
import { plural } from "@/shared/ui/words";

import { TakeInBrushes } from "./TakeInBrushes";

const ALL = [["all", "All"], ...KINDS] as const;
type Kind = (typeof ALL)[number][0];

export function DrawersPage() {
  const { data, error } = useQuery({ queryKey: ["brushes"], queryFn: api.brushes, staleTime: 0 });
  const [kind, setKind] = useState<Kind>("all");
  const [sought, setSought] = useState("");
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [notice, setNotice] = useState<string | null>(null);
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const every = data?.brushes ?? [];
  const shown = every.filter(
    (brush) =>
      (kind === "all" || brush.kind === kind) && words.every((word) => `${brush.name} ${brush.kind}`.toLowerCase().includes(word)),
  );
  const pick = (id: string) => {
    const next = new Set(picked);
    if (!next.delete(id)) next.add(id);
    setPicked(next);
  };
  return (
    <div className="grid h-full grid-rows-[44px_auto_minmax(0,1fr)] bg-base-200" data-testid="drawers">
      <header className="head flex items-center gap-3 bg-neutral px-3.5 text-neutral-content">
        <h1 className="font-bold">Drawers</h1>
        <span className="measure text-[#cfd3de]">{plural(every.length, "brush", "brushes")}</span>
        <Link
          className="ml-auto rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
          to="/"
        >
          Back to the Table
        </Link>
      </header>
      <div className="flex flex-wrap items-center gap-3 border-b border-base-300 px-3.5 py-2">
        <input
          type="search"
          aria-label="Search the drawers"
          placeholder="Search by name"
          className="w-[170px] rounded-field border border-base-300 bg-base-100 px-2 py-1"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
        <Choice label="Kind of brush" options={ALL} value={kind} onChange={setKind} />
        <span className="ml-auto flex items-center gap-2">
          <NewBrush onFault={setNotice} />
          <TakeInBrushes onDone={setNotice} />
          {picked.size > 0 ? (
            <a
              className="rounded-field border border-base-300 bg-base-100 px-3 py-1 hover:border-base-content"
              href={`/api/brush-files?ids=${[...picked].join(",")}`}
              download
            >
              Give out {plural(picked.size, "brush", "brushes")}
            </a>
          ) : (
            <button
              className="cursor-not-allowed rounded-field border border-base-300 px-3 py-1 text-(--muted)"
              aria-disabled
              title="Tick brushes to give them out as files"
              onClick={() => setNotice("Tick the brushes to give out, then press this again.")}
            >
              Give out
            </button>
          )}
        </span>
      </div>
      <main className="min-h-0 overflow-y-auto px-3.5 py-3">
        {notice && (
          <p role="status" className="mb-3 max-w-[760px] border-l-4 border-accent bg-base-100 px-3 py-2">
            {notice}
          </p>
        )}
        {error && <p role="alert">{error.message}</p>}
        {data && !shown.length && <p className="muted">No brush answers to that. Search for less, or choose All.</p>}
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] items-start gap-x-4 gap-y-3">
          {shown.map((brush) => (
            <Card key={brush.id} brush={brush} picked={picked.has(brush.id)} onPick={() => pick(brush.id)} onNotice={setNotice} />
          ))}
        </ul>
      </main>
    </div>
  );
}

interface CardProps {
  brush: BrushListed;
  picked: boolean;
  onPick: () => void;
  onNotice: (text: string) => void;
}

const quiet = "cursor-pointer rounded-field border border-base-300 px-2 py-0.5 text-[12px] hover:border-base-content";

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
  return (
    <li className="rounded-box border border-base-300 bg-base-100 p-2" data-testid={`card-${brush.id}`}>
      <div className="flex items-center gap-2">
        <label className="flex min-w-0 flex-1 cursor-pointer items-center gap-2">
          <input type="checkbox" className="size-4 shrink-0 accent-(--color-secondary)" checked={picked} onChange={onPick} />
          <span className="truncate font-semibold">{brush.name}</span>
        </label>
        <span className="muted text-[12px] whitespace-nowrap">
          {brush.kind}, {brush.builtin ? "built in" : "your own"}
        </span>
      </div>
      <Link to={`/bench/${brush.id}`} aria-label={`${brush.name}, on the Bench`}>
        <span className="my-1.5 grid min-h-[64px] items-center overflow-hidden rounded-[3px] bg-(--cloth)">
          <img src={`/api/brushes/${brush.id}/strip.svg?key=${brush.key}`} alt="" className="block w-full" loading="lazy" />
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
          <button className={quiet} onClick={() => void attempt(() => api.removeBrush(brush.id))}>
            Remove
          </button>
        )}
        {brush.worn_by > 0 && <span className="measure muted ml-auto">{plural(brush.worn_by, "run")}</span>}
      </div>
    </li>
  );
}

/** A new brush of a family, straight to the Bench. */
function NewBrush({ onFault }: { onFault: (text: string) => void }) {
  const navigate = useNavigate();
  const families = useFamilies().filter((family) => !family.piece);
  const make = async (family: string) => {
    try {
      const made = await api.newBrush({ family });
      void navigate(`/bench/${made.id}`);
    } catch (error) {
      onFault((error as Error).message);
    }
  };
  return (
    <select
      aria-label="New brush of a family"
      className="cursor-pointer rounded-field bg-primary px-2.5 py-1 font-semibold text-primary-content"
      value=""
      onChange={(event) => event.target.value && void make(event.target.value)}
    >
      <option value="">New brush …</option>
      {KINDS.map(([kind, name]) => (
        <optgroup key={kind} label={name}>
          {families
            .filter((family) => family.kind === kind)
            .map((family) => (
              <option key={family.id} value={family.id}>
                {family.name}
              </option>
            ))}
        </optgroup>
      ))}
    </select>
  );
}
