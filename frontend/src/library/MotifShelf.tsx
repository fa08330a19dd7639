/** Motifs kept by themselves: a brush is begun with one, or takes it in on the Bench. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";

import { LaterImage } from "@/shared/ui/LaterImage";
import { FileButton } from "@/shared/ui/FileButton";
import { api } from "@/shared/api/client";
import type { MotifListed } from "@/shared/api/types";

import { matches } from "@/shared/ui/SearchField";

import { quiet, Shelf, type ShelfProps, type Told } from "./Shelf";
import { UnreadableShelf } from "./UnreadableShelf";

export function MotifShelf({ sought, onNotice }: ShelfProps) {
  const queries = useQueryClient();
  const { data, error } = useQuery({ queryKey: ["motifs"], queryFn: api.motifs, staleTime: 0 });
  const shown = data?.motifs.filter((motif) => matches(motif.name, sought));
  const attempt = async (work: () => Promise<string | null>) => {
    try {
      const told = await work();
      if (told) onNotice(told);
      await queries.invalidateQueries({ queryKey: ["motifs"] });
    } catch (fault) {
      onNotice((fault as Error).message);
    }
  };
  const importing = (file: File) =>
    void attempt(async () => {
      const kept = await api.importMotif(file);
      return [`“${kept.name}” is in the Library.`, ...kept.notes].join(" ");
    });
  const none = data?.motifs.length
    ? "No motif matches that. Shorten the search."
    : "No motifs are kept yet. Import a drawing, or press Keep in the Library beside artwork on the Bench.";
  return (
    <Shelf
      error={error}
      first={<UnreadableShelf kind="motif" onNotice={onNotice} />}
      none={shown?.length === 0 && none}
      tools={
        <>
          <span className="muted">Artwork that any brush can import as its repeat, its ends or its corners.</span>
          <span className="ml-auto">
            <FileButton label="Drawing for the Library" accept=".svg,image/svg+xml" onFile={importing}>
              Import a drawing (SVG)
            </FileButton>
          </span>
        </>
      }
    >
      {shown?.map((motif) => (
        <Card key={`${motif.id} ${motif.name}`} motif={motif} attempt={attempt} onNotice={onNotice} />
      ))}
    </Shelf>
  );
}

interface CardProps {
  motif: MotifListed;
  attempt: (work: () => Promise<string | null>) => Promise<void>;
  onNotice: Told;
}

function Card({ motif, attempt, onNotice }: CardProps) {
  const navigate = useNavigate();
  const drawn = `/api/motifs/${motif.id}/motif.svg`;
  return (
    <li className="rounded-box border border-base-300 bg-base-100 p-2" data-testid={`motif-${motif.id}`}>
      <div className="flex items-center gap-2">
        <Name motif={motif} attempt={attempt} />
        <span className="measure muted shrink-0 text-[12px]">
          {mm(motif.length)} × {mm(motif.width)} mm{motif.what === "picture" ? ", picture" : ""}
        </span>
      </div>
      <span className="my-1.5 grid h-[132px] place-items-center overflow-hidden rounded-[3px] bg-(--cloth)">
        <LaterImage src={`${drawn}?key=${motif.key}`} alt={motif.name} className="block max-h-[120px] max-w-[94%]" />
      </span>
      <div className="flex items-center gap-1.5">
        <button
          className={quiet}
          onClick={() =>
            void attempt(async () => {
              const made = await api.newBrush({ motif: motif.id });
              void navigate(`/bench/${made.id}`);
              return null;
            })
          }
        >
          New brush of it
        </button>
        <a className={quiet} href={drawn} download>
          Export (SVG)
        </a>
        <button
          className={quiet}
          onClick={() =>
            void attempt(async () => {
              await api.removeMotif(motif.id);
              const text = `“${motif.name}” is removed. Brushes keep the copies that they have of it.`;
              onNotice(text, () => api.putBackMotif(motif.id));
              return null;
            })
          }
        >
          Remove
        </button>
      </div>
    </li>
  );
}

/** Its name, which can be changed where it stands. */
function Name({ motif, attempt }: Omit<CardProps, "onNotice">) {
  const [entered, setTyped] = useState(motif.name);
  const keep = () => {
    if (entered.trim() === motif.name || !entered.trim()) return setTyped(motif.name);
    void attempt(async () => {
      await api.renameMotif(motif.id, entered);
      return null;
    });
  };
  return (
    <input
      aria-label={`Name of ${motif.name}`}
      className="min-w-0 flex-1 rounded-field border border-transparent bg-transparent px-1 font-semibold hover:border-base-300"
      maxLength={120}
      value={entered}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === "Enter") event.currentTarget.blur();
        if (event.key === "Escape") setTyped(motif.name);
      }}
    />
  );
}

const mm = (value: number) => Number(value.toFixed(1)).toString();
