/** What an export comes to: its size, its place, and what will not print. */
import { CHOICES } from "@/shared/api/choices";
import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";
import { useSheetSession } from "@/table/sheet";

import { addressOf, type As, hasPixels, type Made, type Meant } from "./asked";
import { plain } from "./Fields";
import type { ExportFound, FineShown } from "./useFacts";

interface Props {
  as: As;
  meant: Meant;
  made: Made;
  found: ExportFound;
  onShow: (note: FineShown) => void;
}

export function Facts({ as, meant, made, found, onShow }: Props) {
  const session = useSheetSession();
  const { bare, text } = useLength();
  const size = `${bare(found.width_mm, 1)} × ${text(found.height_mm, 1)}`;
  const pixels = `${found.width_px.toLocaleString("en")} × ${found.height_px.toLocaleString("en")} px`;
  const paper = CHOICES.papers.find(({ id }) => id === made.paper)!;
  const parts = [
    plural(found.runs, "run"),
    ...(found.papers.length > 1 ? [`${plural(found.papers.length, "sheet")} of ${paper.label}`] : []),
  ];
  return (
    <>
      <p className="mt-3">
        <span className="measure">{hasPixels(as) ? `${pixels}, ${size}` : size}</span>
        <br />
        {parts.join(", on ")}
        {made.trimmed && made.each === "sheet" && (
          <>
            <br />
            Begins <span className="measure whitespace-nowrap">{text(found.left_mm, 2)}</span> from the sheet’s left,{" "}
            <span className="measure whitespace-nowrap">{text(found.top_mm, 2)}</span> from its top:{" "}
            <a
              className="text-accent underline decoration-dotted underline-offset-2"
              href={addressOf(session.id, "place.json", { ...meant, ...plain(made), form: as })}
              download
            >
              its place, as JSON
            </a>
          </>
        )}
      </p>
      {found.fine.length > 0 && (
        <Notes title="Too fine to print well">
          {found.fine.map((note) => (
            <li key={note.words}>
              {note.words} {note.mend}{" "}
              <button
                className="cursor-pointer text-accent underline decoration-dotted underline-offset-2"
                onClick={() => onShow(note)}
              >
                Look at it
              </button>
            </li>
          ))}
        </Notes>
      )}
      {found.left_out.length > 0 && (
        <Notes title="Left out">
          {found.left_out.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </Notes>
      )}
    </>
  );
}

function Notes({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div className="mt-2 border-l-4 border-error bg-error/12 px-2.5 py-1.5 text-[12px]">
      <p className="font-semibold">{title}</p>
      <ul>{children}</ul>
    </div>
  );
}
