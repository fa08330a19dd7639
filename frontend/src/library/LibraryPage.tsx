/** The Library: brushes and motifs across all sheets. */
import { wayToTable } from "@/shared/lastSheet";
import { useState } from "react";
import { Link } from "react-router";

import { useTitle } from "@/shared/title";
import { Choice } from "@/shared/ui/Choice";

import { BrushShelf } from "./BrushShelf";
import { MotifShelf } from "./MotifShelf";

const SHELVES = [
  ["brushes", "Brushes"],
  ["motifs", "Motifs"],
] as const;
type ShelfName = (typeof SHELVES)[number][0];

export function LibraryPage() {
  useTitle("Library");
  const [shelf, setShelf] = useState<ShelfName>("brushes");
  const [sought, setSought] = useState("");
  const [notice, setNotice] = useState<string | null>(null);
  const Shelf = shelf === "brushes" ? BrushShelf : MotifShelf;
  return (
    <main className="grid h-full grid-rows-[44px_auto_auto_minmax(0,1fr)] bg-base-200" data-testid="library">
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
      <div role="status">
        {notice && (
          <p className="border-b border-l-4 border-base-300 border-l-accent bg-base-100 px-3 py-2">{notice}</p>
        )}
      </div>
      <Shelf sought={sought} onNotice={setNotice} />
    </main>
  );
}
