/** A sheet as a small picture, with what can be done with it as a whole. */
import { useRef } from "react";
import { Link, useNavigate } from "react-router";

import { api } from "@/shared/api/client";
import { files } from "@/shared/api/files";
import type { SheetListed } from "@/shared/api/types";
import { download } from "@/shared/download";
import { QuietButton } from "@/shared/maker/QuietButton";
import { FileInput } from "@/shared/ui/FileInput";
import { Menu } from "@/shared/ui/Menu";
import { plural } from "@/shared/ui/words";

import type { Attempt } from "./SheetTools";
import { sideText } from "./sizes";

/** The room for a picture in a card: its width to its height. */
const ROOM = 1.4;

/** A picture's size within its card: all of the room's height, or of its width. */
const fitted = ({ width, height }: SheetListed) =>
  width / height > ROOM ? { width: "100%", height: "auto" } : { width: "auto", height: "100%" };

interface CardProps {
  sheet: SheetListed;
  archived: boolean;
  attempt: Attempt;
}

export function SheetCard({ sheet, archived, attempt }: CardProps) {
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);
  const archive = async (away: boolean) => {
    await api.archiveSheet(sheet.id, away);
    const act = () => void attempt(async () => void (await api.archiveSheet(sheet.id, !away)));
    return { text: `“${sheet.name}” is ${away ? "archived" : "restored"}.`, action: { label: "Undo", act } };
  };
  const save = (history: boolean) => attempt(() => download(files.sheetAddress(sheet.id, history)));
  const replace = async (file: File) => {
    const { name } = await files.replaceSheet(sheet.id, sheet.revision, file);
    return { text: `“${sheet.name}” is now “${name}” from the file. Undo on the sheet brings it back.` };
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
          <span className="flex-1" />
          <Menu
            label={`More for ${sheet.name}`}
            items={[
              { label: "Export as a sheet file", onPick: () => save(false) },
              { label: "Export with its history", onPick: () => save(true) },
              { label: "Replace from a sheet file …", onPick: () => input.current?.click() },
            ]}
          />
          <FileInput
            ref={input}
            label={`Sheet file in place of ${sheet.name}`}
            accept=".zip"
            onFiles={([file]) => void attempt(() => replace(file!))}
          />
        </div>
      </div>
    </li>
  );
}
