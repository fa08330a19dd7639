/** The way in: every sheet as a small picture, and the beginning of a new one. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { api, Refusal } from "@/shared/api/client";
import type { SheetListed } from "@/shared/api/types";
import { QuietButton } from "@/shared/maker/QuietButton";
import { useTitle } from "@/shared/title";
import { type Notice, Said } from "@/shared/ui/Said";
import { plural } from "@/shared/ui/words";

import { NewSheet } from "./NewSheet";
import { sideText } from "./sizes";

/** The room for a picture in a card: its width to its height. */
const ROOM = 1.4;

export function SheetsPage() {
  const queries = useQueryClient();
  const [archived, setArchived] = useState(false);
  const [notice, setNotice] = useState<Notice | null>(null);
  // Always asked for anew: thumbnails go by the revision.
  const { data, error } = useQuery({
    queryKey: ["sheets", archived],
    queryFn: () => api.sheets(archived),
    staleTime: 0,
  });
  useTitle("Sheets");
  const attempt: Attempt = async (work) => {
    try {
      const told = await work();
      setNotice(told ? { tone: "word", ...told } : null);
    } catch (caught) {
      setNotice({ tone: "fault", text: caught instanceof Refusal ? caught.message : String(caught) });
    }
    await queries.invalidateQueries({ queryKey: ["sheets"] });
  };
  return (
    <div className="grid h-full grid-rows-[44px_1fr]">
      <header className="head flex items-center gap-4 bg-neutral px-3.5 text-neutral-content">
        <h1 className="font-bold">Sheets</h1>
        <Link className="rounded-field px-2 py-1 hover:bg-white/10" to="/library">
          Library
        </Link>
        <button
          className="ml-auto cursor-pointer rounded-field px-2 py-1 hover:bg-white/10"
          aria-pressed={archived}
          onClick={() => setArchived(!archived)}
        >
          {archived ? "Current sheets" : "Archived sheets"}
        </button>
      </header>
      <main className="grid min-h-0 grid-cols-[1fr_300px]">
        <section aria-label={archived ? "Archived sheets" : "Sheets"} className="overflow-y-auto p-5">
          {error && <p className="mb-3 border-l-4 border-error bg-error/15 px-2.5 py-1.5">{error.message}</p>}
          {data?.sheets.length === 0 && (
            <p className="muted">{archived ? "No sheet is archived." : "No sheets yet. Create one on the right."}</p>
          )}
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(max(230px,15vw),1fr))] gap-4">
            {data?.sheets.map((sheet) => (
              <Card key={sheet.id} sheet={sheet} archived={archived} attempt={attempt} />
            ))}
          </ul>
        </section>
        <NewSheet presets={data?.presets ?? []} />
      </main>
      <Said notice={notice} onClose={() => setNotice(null)} />
    </div>
  );
}

/** A picture's size within its card: all of the room's height, or of its width. */
const fitted = ({ width, height }: SheetListed) =>
  width / height > ROOM ? { width: "100%", height: "auto" } : { width: "auto", height: "100%" };

interface CardProps {
  sheet: SheetListed;
  archived: boolean;
  attempt: Attempt;
}

/** Do something, and say what it gives to be said, or what went wrong. */
type Attempt = (work: () => Promise<Omit<Notice, "tone"> | void>) => Promise<void>;

function Card({ sheet, archived, attempt }: CardProps) {
  const navigate = useNavigate();
  const archive = async (away: boolean) => {
    await api.archiveSheet(sheet.id, away);
    const act = () => void attempt(async () => void (await api.archiveSheet(sheet.id, !away)));
    return { text: `“${sheet.name}” is ${away ? "archived" : "restored"}.`, action: { label: "Undo", act } };
  };
  return (
    <li className="flex flex-col overflow-hidden rounded-box border border-base-300 bg-base-100">
      <Link to={`/sheets/${sheet.id}`} className="bg-base-200 p-3 hover:bg-base-300" data-testid={`sheet-${sheet.id}`}>
        <span className="relative block" style={{ aspectRatio: ROOM }}>
          <img
            src={`/api/sheets/${sheet.id}/thumbnail.png?revision=${sheet.revision}`}
            alt=""
            // As large as it will be, while it is being drawn.
            width={sheet.width}
            height={sheet.height}
            style={{ aspectRatio: sheet.width / sheet.height, ...fitted(sheet) }}
            className="absolute inset-0 m-auto border border-base-300 bg-(--paper)"
          />
        </span>
        <span className="sr-only">Open {sheet.name}</span>
      </Link>
      <div className="px-3 py-2">
        <h2 className="truncate font-bold">{sheet.name}</h2>
        <p className="muted text-[12px]">
          <span className="measure">
            {sideText(sheet.width, sheet.unit)} × {sideText(sheet.height, sheet.unit)} {sheet.unit}
          </span>
          , {sheet.scale} · {plural(sheet.paths, "path")}, {plural(sheet.runs, "run")}
        </p>
        <div className="mt-1.5 flex gap-1">
          <QuietButton
            onClick={() => attempt(async () => void navigate(`/sheets/${(await api.duplicateSheet(sheet.id)).id}`))}
          >
            Duplicate
          </QuietButton>
          <QuietButton onClick={() => attempt(() => archive(!archived))}>
            {archived ? "Restore" : "Archive"}
          </QuietButton>
        </div>
      </div>
    </li>
  );
}
