/** The Library: brushes and motifs across all sheets. */
import { wayToTable } from "@/shared/lastSheet";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { useTitle } from "@/shared/title";
import { Choice } from "@/shared/ui/Choice";
import { type Notice, Said } from "@/shared/ui/Said";

import { BrushShelf } from "./BrushShelf";
import { MotifShelf } from "./MotifShelf";
import type { Told } from "./Shelf";

const SHELVES = [
  ["brushes", "Brushes"],
  ["looks", "Looks"],
  ["motifs", "Motifs"],
] as const;
type ShelfName = (typeof SHELVES)[number][0];

export function LibraryPage() {
  useTitle("Library");
  const [shelf, setShelf] = useState<ShelfName>("brushes");
  const [sought, setSought] = useState("");
  const [notice, setNotice] = useState<Notice | null>(null);
  const queries = useQueryClient();
  const tell: Told = (text, undo) => {
    const back = async () => {
      await undo!().catch((fault: Error) => tell(fault.message));
      await queries.invalidateQueries();
    };
    setNotice({ tone: "word", text, stays: !undo, action: undo && { label: "Undo", act: () => void back() } });
  };
  return (
    <main className="grid h-full grid-rows-[44px_auto_minmax(0,1fr)] bg-base-200" data-testid="library">
      <header className="head flex items-center gap-3 bg-neutral px-3.5 text-neutral-content">
        <h1 className="font-bold">Library</h1>
        <Choice label="Shelf" options={SHELVES} value={shelf} onChange={setShelf} inHead />
        <input
          type="search"
          aria-label="Search the library"
          placeholder="Search by name"
          className="w-[190px] rounded-field border border-(--edge) bg-base-100 px-2 py-0.5 text-base-content"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
        <Link
          className="ml-auto rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
          to={wayToTable()}
        >
          Back to the Table
        </Link>
      </header>
      {shelf === "motifs" ? (
        <MotifShelf sought={sought} onNotice={tell} />
      ) : (
        <BrushShelf key={shelf} looks={shelf === "looks"} sought={sought} onNotice={tell} />
      )}
      <Said notice={notice} onClose={() => setNotice(null)} />
    </main>
  );
}
