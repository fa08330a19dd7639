/** The head strip: the sheet, the pointer tools, undo and redo, zoom, and exporting. */
import { useQuery } from "@tanstack/react-query";
import { Lamp } from "lucide-react";
import { memo, useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";

import { api } from "@/shared/api/client";

import { useFrame, useSheetSession } from "./sheet";
import { tableState, type Tool, useTableState } from "./state";
import { TOOLS } from "./tools/tools";
import { fit, TRUE_SIZE, zoomAbout } from "./view";

export function chooseTool(tool: Tool) {
  tableState().set({
    tool,
    draft: [],
    stroke: [],
    nodes: [],
    pointer: null,
    on: null,
    preview: null,
    cutting: false,
    places: [],
    measured: null,
    calibrating: null,
  });
}

export function fitSheet(sheet: { width: number; height: number }) {
  tableState().set({ view: fit(sheet, tableState().window) });
}

/** Zoom about the middle of the window. */
export function zoomBy(factor: number) {
  const { view, window } = tableState();
  if (!view) return;
  const middle = { x: window.width / 2, y: window.height / 2 };
  tableState().set({ view: zoomAbout(view, middle, factor) });
}

export function trueSize() {
  const { view } = tableState();
  if (view) zoomBy(TRUE_SIZE / view.zoom);
}

const quiet =
  "cursor-pointer rounded-field px-2 py-1 hover:bg-white/10 disabled:cursor-default disabled:text-[#98a0b3] disabled:hover:bg-transparent";

/** The way to all sheets, and the sheet's name with the others under it. */
function SheetChoice() {
  const frame = useFrame("sheet");
  const navigate = useNavigate();
  const { data } = useQuery({ queryKey: ["sheets", false], queryFn: () => api.sheets() });
  const others = data?.sheets.filter((sheet) => sheet.id !== frame.sheet.id) ?? [];
  return (
    <>
      <Link className={quiet} to="/">
        Sheets
      </Link>
      <select
        aria-label="Sheet"
        className="max-w-[150px] cursor-pointer truncate rounded-field bg-neutral py-1 font-bold hover:bg-white/10"
        value={frame.sheet.id}
        onChange={(event) => void navigate(`/sheets/${event.target.value}`)}
      >
        <option value={frame.sheet.id}>{frame.sheet.name}</option>
        {others.map((sheet) => (
          <option key={sheet.id} value={sheet.id}>
            {sheet.name}
          </option>
        ))}
      </select>
    </>
  );
}

const ROOM = "curlet-room";

/** The page itself light or dark; kept in this browser. */
function DimRoom() {
  const [theme, setTheme] = useState(() => localStorage.getItem(ROOM) ?? "paper");
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
    localStorage.setItem(ROOM, theme);
  }, [theme]);
  const dim = theme === "lamp";
  return (
    <button
      className={quiet}
      aria-pressed={dim}
      aria-label="Dim the room"
      title={dim ? "Light the room: a light page" : "Dim the room: a dark page"}
      onClick={() => setTheme(dim ? "paper" : "lamp")}
    >
      <Lamp size={16} />
    </button>
  );
}

export const HeadStrip = memo(function HeadStrip() {
  const frame = useFrame("sheet", "undo", "redo");
  const tool = useTableState((state) => state.tool);
  const view = useTableState((state) => state.view);
  const marks = useTableState((state) => state.marks);
  const session = useSheetSession();
  const dark = frame.sheet.ground_tone === "dark";
  return (
    <header className="head col-span-3 flex items-center gap-2 bg-neutral px-3 whitespace-nowrap text-neutral-content">
      <SheetChoice />
      <span className="measure whitespace-nowrap opacity-80">
        {frame.sheet.scale} · {frame.sheet.unit}
      </span>
      <nav aria-label="Hand tools" className="ml-1 flex">
        {TOOLS.map(({ tool: key, name, digit }) => (
          <button
            key={key}
            aria-pressed={tool === key}
            aria-keyshortcuts={digit}
            className={`cursor-pointer rounded-field px-2 py-1 ${
              tool === key ? "bg-base-100 text-base-content" : "hover:bg-white/10"
            }`}
            onClick={() => chooseTool(key)}
          >
            <span className="measure mr-1 opacity-70">{digit}</span>
            {name}
          </button>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-0.5">
        <button
          className={quiet}
          aria-pressed={marks}
          aria-keyshortcuts="M"
          title="Hide or show every mark (M)"
          onClick={() => tableState().set({ marks: !marks })}
        >
          Marks
        </button>
        <DimRoom />
        <button
          className={quiet}
          title="The ground behind the sheet, for seeing white or dark thread"
          onClick={() => void session.command({ kind: "set-sheet", ground: dark ? "light" : "dark" })}
        >
          {dark ? "Lighten" : "Darken"}
        </button>
        <span aria-hidden className="mx-1 h-5 w-px bg-white/25" />
        <button
          className={quiet}
          disabled={!frame.undo}
          title={frame.undo ? `Undo: ${frame.undo}` : "Nothing to undo"}
          onClick={() => void session.undo()}
        >
          Undo
        </button>
        <button
          className={quiet}
          disabled={!frame.redo}
          title={frame.redo ? `Redo: ${frame.redo}` : "Nothing to redo"}
          onClick={() => void session.redo()}
        >
          Redo
        </button>
        <span aria-hidden className="mx-1 h-5 w-px bg-white/25" />
        <button className={quiet} aria-label="Smaller" aria-keyshortcuts="-" onClick={() => zoomBy(1 / 1.25)}>
          −
        </button>
        <button
          className={`${quiet} measure w-[58px] px-0 text-center`}
          title="True size on screen (T)"
          aria-keyshortcuts="T"
          onClick={trueSize}
        >
          {view ? `${Math.round((100 * view.zoom) / TRUE_SIZE)} %` : ""}
        </button>
        <button className={quiet} aria-label="Larger" aria-keyshortcuts="+" onClick={() => zoomBy(1.25)}>
          +
        </button>
        <button
          className={quiet}
          title="Fit the sheet in the window (F)"
          aria-keyshortcuts="F"
          onClick={() => fitSheet(frame.sheet)}
        >
          Fit
        </button>
      </div>
      <button
        className="cursor-pointer rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
        onClick={() => tableState().set({ exporting: true })}
      >
        Export
      </button>
    </header>
  );
});
