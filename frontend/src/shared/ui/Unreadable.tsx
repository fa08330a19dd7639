/** What cannot be read, with what can be done about each: save it as it is, restore it, remove it. */
import { useState } from "react";

import type { SetAsideShown } from "@/shared/api/types";
import { plural } from "@/shared/ui/words";

const KINDS: Record<string, string> = {
  brush: "Brush",
  group: "Seam group",
  guide: "Guide picture",
  lettering: "Lettering",
  mark: "Check mark",
  motif: "Motif",
  path: "Path",
  run: "Run",
  single: "Single repeat",
};

interface Props {
  rows: readonly SetAsideShown[];
  onRemove: (row: SetAsideShown) => void;
  /** For those that have earlier versions. */
  onRestore?: (row: SetAsideShown) => void;
}

export function Unreadable({ rows, onRemove, onRestore }: Props) {
  if (!rows.length) return null;
  return (
    <section aria-label="Cannot be read" className="mb-2 border-l-4 border-error bg-error/12 px-2.5 py-1.5 text-[12px]">
      <h2 className="font-semibold">
        {plural(rows.length, "thing")} cannot be read and {rows.length > 1 ? "are" : "is"} not shown
      </h2>
      <ul>
        {rows.map((row) => (
          <Row
            key={`${row.kind} ${row.id}`}
            row={row}
            onRemove={() => onRemove(row)}
            onRestore={onRestore && (() => onRestore(row))}
          />
        ))}
      </ul>
    </section>
  );
}

const button = "cursor-pointer rounded-field border border-base-content/60 px-1.5 hover:border-base-content";

function Row({
  row,
  onRemove,
  onRestore,
}: {
  row: SetAsideShown;
  onRemove: () => void;
  onRestore?: (() => void) | undefined;
}) {
  const [sure, setSure] = useState(false);
  // On a sheet only what uses a brush is removed: others may use it too.
  const usedHere = row.kind === "brush" && !onRestore;
  const remove = usedHere ? "Remove the runs of" : "Remove";
  return (
    <li className="mt-1.5 break-words">
      <strong>{KINDS[row.kind] ?? row.kind}</strong> {row.name}: {row.fault}
      <span className="mt-0.5 flex flex-wrap gap-1.5">
        <a className={button} href={`/api/unreadable/${row.kind}/${row.id}.json`} download>
          Save as it is
        </a>
        {onRestore && row.kind === "brush" && (
          <button className={button} onClick={onRestore}>
            Restore earlier version
          </button>
        )}
        {usedHere && (
          <a className={button} href="/library">
            Open the Library
          </a>
        )}
        {sure ? (
          <>
            <button className={`${button} font-semibold`} onClick={onRemove}>
              {usedHere ? "Remove its runs for good" : "Remove for good"}
            </button>
            <button className={button} onClick={() => setSure(false)}>
              Cancel
            </button>
          </>
        ) : (
          <button
            className={button}
            aria-label={`${remove} ${row.name}; this cannot be undone`}
            onClick={() => setSure(true)}
          >
            {usedHere ? "Remove its runs …" : "Remove …"}
          </button>
        )}
      </span>
    </li>
  );
}
