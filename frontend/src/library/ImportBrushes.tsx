/** Brush files imported, one or many at once: added to what is there, or put in its place. */
import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";

import { api } from "@/shared/api/client";
import type { ImportedBrush } from "@/shared/api/types";
import { FileInput } from "@/shared/ui/FileInput";

const WORDS: Record<ImportedBrush["became"], string> = {
  added: "added",
  "added beside": "added beside one of the same name",
  replaced: "replaced the one of that name",
  "the same": "already there, the same",
};

export function ImportBrushes({ onDone }: { onDone: (text: string) => void }) {
  const queries = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const [replace, setReplace] = useState(false);
  const take = async (files: readonly File[]) => {
    try {
      const { taken } = await api.importBrushes(files, replace);
      onDone(
        taken.map((brush) => `“${brush.name}” ${WORDS[brush.became]}.`).join(" ") || "There were no brushes in that.",
      );
      await queries.invalidateQueries({ queryKey: ["brushes"] });
      await queries.invalidateQueries({ queryKey: ["sheet"] });
    } catch (error) {
      onDone((error as Error).message);
    }
  };
  return (
    <span className="flex items-center gap-2">
      <label className="flex cursor-pointer items-center gap-1.5 text-[12px]">
        <input
          type="checkbox"
          className="size-4 accent-(--color-secondary)"
          checked={replace}
          onChange={(event) => setReplace(event.target.checked)}
        />
        Replace same names
      </label>
      <button
        className="cursor-pointer rounded-field border border-(--edge) bg-base-100 px-3 py-1 hover:border-base-content"
        onClick={() => input.current?.click()}
      >
        Import brush files
      </button>
      <FileInput ref={input} multiple accept=".json,.zip" label="Brush files" onFiles={(files) => void take(files)} />
    </span>
  );
}
