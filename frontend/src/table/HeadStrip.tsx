/** The head strip: the sheet, the pointer tools, undo and redo, zoom, and exporting. */
import { useQuery } from "@tanstack/react-query";
import { ChevronDown, CircleQuestionMark, LoaderCircle } from "lucide-react";
import { memo } from "react";
import { Link, useNavigate } from "react-router";

import { api } from "@/shared/api/client";
import { turnTheme, useTheme } from "@/shared/theme";
import { Menu } from "@/shared/ui/Menu";
import { Panel } from "@/shared/ui/Panel";
import { stop } from "@/shared/ui/stops";
import { workWords } from "@/shared/work";

import { guideTo } from "./guide/guide";
import { useFrame, useSheetSession } from "./sheet";
import { tableState, type Tool, useTableState } from "./state";
import { TOOLS, toolWords } from "./tools/tools";
import { TAPE, TAPE_HEIGHT } from "./tape/measures";
import { fit, PAPER, type Size, TRUE_SIZE, zoomAbout } from "./view";

export function chooseTool(tool: Tool) {
  // Its keys act on the sheet.
  document.getElementById(PAPER)?.focus();
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

/** The window without the room that the Tape takes once it is shown: the sheet's foot stays in sight. */
export function roomFor({ width, height }: Size): Size {
  const shown = document.getElementById(TAPE)?.clientHeight ?? 0;
  return { width, height: height - Math.max(TAPE_HEIGHT - shown, 0) };
}

export function fitSheet(sheet: { width: number; height: number }) {
  tableState().set({ view: fit(sheet, roomFor(tableState().window)) });
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
  "cursor-pointer rounded-field px-2 py-1 hover:bg-white/10 aria-disabled:cursor-default aria-disabled:text-[#98a0b3] aria-disabled:hover:bg-transparent";

/** The way to all sheets, and the sheet's name with the others under it. */
function SheetChoice() {
  const frame = useFrame("sheet");
  const navigate = useNavigate();
  const { data } = useQuery({ queryKey: ["sheets", false], queryFn: () => api.sheets() });
  const others = data?.sheets.filter((sheet) => sheet.id !== frame.sheet.id) ?? [];
  return (
    <>
      <Link {...stop} className={quiet} to="/">
        Sheets
      </Link>
      <Menu
        label={`Sheet: ${frame.sheet.name}`}
        className="flex max-w-[170px] min-w-0 cursor-pointer items-center gap-1 rounded-field px-1.5 py-1 font-bold hover:bg-white/10"
        trigger={stop}
        items={others.map((sheet) => ({ label: sheet.name, onPick: () => navigate(`/sheets/${sheet.id}`) }))}
      >
        <span className="truncate">{frame.sheet.name}</span>
        <ChevronDown size={14} aria-hidden className="shrink-0" />
      </Menu>
    </>
  );
}

/** A step that takes a while is under way: how far it is, and the way to stop it. */
function Busy() {
  const work = useTableState((state) => state.work);
  return (
    <span className="mr-1 flex items-center gap-1.5">
      <span role="status" className="flex items-center gap-1.5 opacity-90">
        {work && (
          <>
            <LoaderCircle size={15} aria-hidden className="animate-spin" />
            {workWords(work)}
          </>
        )}
      </span>
      {work && (
        <button {...stop} className={`${quiet} underline underline-offset-2`} onClick={work.stop}>
          Stop
        </button>
      )}
    </span>
  );
}

/** How things are seen; what is rarely changed. */
function ViewMenu() {
  const { sheet } = useFrame("sheet");
  const marks = useTableState((state) => state.marks);
  const dark = useTheme((state) => state.theme === "lamp");
  const session = useSheetSession();
  const night = sheet.background_tone === "dark";
  return (
    <Menu
      label="View"
      className={`${quiet} flex items-center gap-1`}
      trigger={stop}
      items={[
        { label: "Fit the sheet", keys: "F", onPick: () => fitSheet(sheet) },
        { label: "True size", keys: "T", onPick: trueSize },
        { label: "Zoom in", keys: "+", onPick: () => zoomBy(1.25) },
        { label: "Zoom out", keys: "−", onPick: () => zoomBy(1 / 1.25) },
        null,
        {
          label: marks ? "Hide marks" : "Show marks",
          keys: "M",
          onPick: () => tableState().set({ marks: !marks }),
        },
        {
          label: night ? "Light background" : "Dark background",
          onPick: () => session.command({ kind: "set-sheet", background: night ? "light" : "dark" }),
        },
        { label: dark ? "Light interface" : "Dark interface", onPick: turnTheme },
      ]}
    >
      View <ChevronDown size={14} aria-hidden />
    </Menu>
  );
}

function HelpMenu() {
  return (
    <Menu
      label="Help"
      className={`${quiet} grid size-7 place-items-center px-0!`}
      trigger={stop}
      items={[
        { label: "Guide", onPick: () => guideTo(0) },
        { label: "Help pages", onPick: () => window.open("/guide/guide.html", "_blank", "noopener") },
        { label: "Keys", keys: "?", onPick: () => tableState().set({ keyList: true }) },
      ]}
    >
      <CircleQuestionMark size={17} aria-hidden />
    </Menu>
  );
}

export const HeadStrip = memo(function HeadStrip() {
  const frame = useFrame("sheet", "undo", "redo");
  const tool = useTableState((state) => state.tool);
  const view = useTableState((state) => state.view);
  const session = useSheetSession();
  return (
    <Panel
      as="header"
      across
      label="Head strip"
      className="head col-span-3 flex min-w-0 items-center gap-2 max-[899px]:col-span-1 max-[899px]:gap-1 bg-neutral px-3 whitespace-nowrap text-neutral-content"
    >
      <SheetChoice />
      <span className="measure whitespace-nowrap opacity-80 max-[1150px]:hidden">
        {frame.sheet.scale} · {frame.sheet.unit}
      </span>
      <Menu
        label={`Tool: ${toolWords(tool).name}`}
        className={`${quiet} hidden items-center gap-1 max-[899px]:flex`}
        trigger={stop}
        items={TOOLS.map(({ tool: key, name, digit }) => ({ label: name, keys: digit, onPick: () => chooseTool(key) }))}
      >
        {toolWords(tool).name} <ChevronDown size={14} aria-hidden />
      </Menu>
      <div role="toolbar" aria-label="Tools" className="ml-1 flex max-[899px]:hidden">
        {TOOLS.map(({ tool: key, name, digit }) => (
          <button
            key={key}
            {...stop}
            aria-pressed={tool === key}
            aria-keyshortcuts={digit}
            className={`cursor-pointer rounded-field px-2 py-1 ${
              tool === key ? "bg-base-100 text-base-content" : "hover:bg-white/10"
            }`}
            onClick={() => chooseTool(key)}
          >
            <span className="measure mr-1 opacity-70 max-[1150px]:hidden">{digit}</span>
            {name}
          </button>
        ))}
      </div>
      <div className="ml-auto flex items-center gap-0.5">
        <Busy />
        <ViewMenu />
        <HelpMenu />
        <span aria-hidden className="mx-1 h-5 w-px bg-white/25" />
        <button
          {...stop}
          className={quiet}
          // Not disabled: what has the focus keeps it.
          aria-disabled={!frame.undo}
          title={frame.undo ? `Undo: ${frame.undo}` : "Nothing to undo"}
          onClick={() => frame.undo && void session.undo()}
        >
          Undo
        </button>
        <button
          {...stop}
          className={quiet}
          aria-disabled={!frame.redo}
          title={frame.redo ? `Redo: ${frame.redo}` : "Nothing to redo"}
          onClick={() => frame.redo && void session.redo()}
        >
          Redo
        </button>
        <span aria-hidden className="mx-1 h-5 w-px bg-white/25 max-[899px]:hidden" />
        <button
          {...stop}
          className={`${quiet} max-[899px]:hidden`}
          aria-label="Zoom out"
          title="Zoom out (−)"
          aria-keyshortcuts="-"
          onClick={() => zoomBy(1 / 1.25)}
        >
          −
        </button>
        <button
          {...stop}
          className={`${quiet} measure w-[58px] px-0 text-center max-[899px]:hidden`}
          title="True size on screen (T)"
          aria-keyshortcuts="T"
          onClick={trueSize}
        >
          {view ? `${Math.round((100 * view.zoom) / TRUE_SIZE)} %` : ""}
        </button>
        <button
          {...stop}
          className={`${quiet} max-[899px]:hidden`}
          aria-label="Zoom in"
          title="Zoom in (+)"
          aria-keyshortcuts="+"
          onClick={() => zoomBy(1.25)}
        >
          +
        </button>
      </div>
      <Link {...stop} className={quiet} to={`/sheets/${frame.sheet.id}/schedule`}>
        Schedule
      </Link>
      <button
        {...stop}
        className="cursor-pointer rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
        onClick={() => tableState().set({ exporting: true })}
      >
        Export
      </button>
    </Panel>
  );
});
