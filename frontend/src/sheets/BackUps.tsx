/** Back-ups of everything: one saved elsewhere, those that are kept here, and one of them put back. */
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";

import { files } from "@/shared/api/files";
import { download } from "@/shared/download";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Dialog } from "@/shared/ui/Dialog";
import { FileInput } from "@/shared/ui/FileInput";

import type { Attempt } from "./SheetTools";

/** What is put back once that is confirmed: a back-up that is kept here, by its name, or a file. */
type Chosen = { name: string; words: string } | { file: File; words: string };

const when = (made: string) => new Date(made).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
const size = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;

export function BackUps({ attempt, onClose }: { attempt: Attempt; onClose: () => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [isAtWork, setAtWork] = useState(false);
  const { data } = useQuery({ queryKey: ["back-ups"], queryFn: files.backUps, staleTime: 0 });
  const restore = async (from: Chosen) => {
    const { before } = await ("file" in from ? files.restoreFile(from.file) : files.restoreKept(from.name));
    const undo = () => void attempt(async () => void (await files.restoreKept(before)));
    return {
      text: `Restored from ${from.words}. What was here before is kept among the back-ups.`,
      stays: true,
      ...(before && { action: { label: "Undo", act: undo } }),
    };
  };
  const confirmed = async (from: Chosen) => {
    setAtWork(true);
    await attempt(() => restore(from));
    onClose();
  };
  return (
    <Dialog title="Back-ups" width={620} onClose={onClose}>
      <p>A back-up is one file with every sheet, brush, motif, picture and font, and everything that can be undone.</p>
      <div className="my-3 flex gap-2">
        <QuietButton onClick={() => attempt(() => download(files.backUpAddress))}>Save a back-up</QuietButton>
        <QuietButton onClick={() => input.current?.click()}>Restore from a file …</QuietButton>
        <FileInput
          ref={input}
          label="Back-up file"
          accept=".sqlite"
          onFiles={([file]) => setChosen({ file: file!, words: `“${file!.name}”` })}
        />
      </div>
      {chosen && (
        <div role="alert" className="mb-3 border-l-4 border-accent bg-base-200 px-3 py-2">
          <p>
            Put everything back as it was in {chosen.words}? What is here now is kept first, so that you can go back.
          </p>
          <div className="mt-2 flex gap-2">
            <button
              className="cursor-pointer rounded-field bg-primary px-3 py-0.5 font-semibold text-primary-content hover:brightness-105 disabled:opacity-60"
              disabled={isAtWork}
              onClick={() => void confirmed(chosen)}
            >
              {isAtWork ? "Restoring …" : "Restore"}
            </button>
            <QuietButton onClick={() => setChosen(null)}>Cancel</QuietButton>
          </div>
        </div>
      )}
      <h3 className="font-bold">Kept on this machine</h3>
      <p className="muted text-[12px]">Made at every start and hourly while something changes; the last ten stay.</p>
      <ul aria-label="Back-ups" className="mt-1 max-h-[40vh] overflow-y-auto">
        {data?.kept.map((kept) => (
          <li key={kept.name} className="flex items-center gap-3 border-t border-base-300 py-1">
            <span className="flex-1">
              {when(kept.made)}
              {kept.before && <span className="muted"> · before {kept.before}</span>}
            </span>
            <span className="measure muted text-[12px]">{size(kept.size)}</span>
            <QuietButton
              label={`Restore ${when(kept.made)}`}
              onClick={() => setChosen({ name: kept.name, words: `the back-up of ${when(kept.made)}` })}
            >
              Restore
            </QuietButton>
          </li>
        ))}
        {data?.kept.length === 0 && <li className="muted py-1">None yet.</li>}
      </ul>
    </Dialog>
  );
}
