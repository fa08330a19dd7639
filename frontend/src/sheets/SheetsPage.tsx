/** The way in: every sheet as a small picture, and the beginning of a new one. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import { useTitle } from "@/shared/title";
import { type Notice, Said } from "@/shared/ui/Said";

import { NewSheet } from "./NewSheet";
import { SheetCard } from "./SheetCard";
import { type Attempt, HEAD_BUTTON, SheetTools } from "./SheetTools";

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
    // What was imported or restored may be anything.
    await queries.invalidateQueries();
  };
  return (
    <div className="grid h-full grid-rows-[44px_1fr]">
      <header className="head flex items-center gap-4 bg-neutral px-3.5 text-neutral-content">
        <h1 className="font-bold">Sheets</h1>
        <Link className="rounded-field px-2 py-1 hover:bg-white/10" to="/library">
          Library
        </Link>
        <SheetTools archived={archived} attempt={attempt} />
        <button className={HEAD_BUTTON} aria-pressed={archived} onClick={() => setArchived(!archived)}>
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
              <SheetCard key={sheet.id} sheet={sheet} archived={archived} attempt={attempt} />
            ))}
          </ul>
        </section>
        <NewSheet presets={data?.presets ?? []} />
      </main>
      <Said notice={notice} onClose={() => setNotice(null)} />
    </div>
  );
}
