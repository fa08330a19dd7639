/** What is done with all sheets at once: importing, exporting, back-ups. */
import { useRef, useState } from "react";

import { files } from "@/shared/api/files";
import { download } from "@/shared/download";
import { FileInput } from "@/shared/ui/FileInput";
import type { Notice } from "@/shared/ui/Said";
import { plural } from "@/shared/ui/words";

import { BackUps } from "./BackUps";

/** Do something, and say what it gives to be said, or what went wrong. */
export type Attempt = (work: () => Promise<Omit<Notice, "tone"> | void>) => Promise<void>;

export const HEAD_BUTTON = "cursor-pointer rounded-field px-2 py-1 hover:bg-white/10";

export function SheetTools({ archived, attempt }: { archived: boolean; attempt: Attempt }) {
  const input = useRef<HTMLInputElement>(null);
  const [backUps, setBackUps] = useState(false);
  const take = async (chosen: readonly File[]) => {
    const { taken } = await files.importSheets(chosen);
    const names = taken.map(({ name }) => `“${name}”`).join(", ");
    return { text: `${plural(taken.length, "sheet")} imported: ${names}.` };
  };
  return (
    <>
      <button className={`ml-auto ${HEAD_BUTTON}`} onClick={() => input.current?.click()}>
        Import sheet files
      </button>
      <FileInput
        ref={input}
        multiple
        label="Sheet files"
        accept=".zip"
        onFiles={(chosen) => void attempt(() => take(chosen))}
      />
      <button
        className={HEAD_BUTTON}
        onClick={() => void attempt(() => download(files.packAddress(archived)))}
        title="Every sheet in this list, a sheet file each, in one zip"
      >
        Export all
      </button>
      <button className={HEAD_BUTTON} onClick={() => setBackUps(true)}>
        Back-ups
      </button>
      {backUps && <BackUps attempt={attempt} onClose={() => setBackUps(false)} />}
    </>
  );
}
