/** Paths by seam group, and the brushes under them. */
import { useMemo, useState } from "react";
import { Panel as SplitPanel, PanelGroup, PanelResizeHandle } from "react-resizable-panels";

import type { PathShown, RunShown } from "@/shared/api/types";
import { Panel } from "@/shared/ui/Panel";
import { matches, SearchField } from "@/shared/ui/SearchField";
import { beside, stop } from "@/shared/ui/stops";
import { Unreadable } from "@/shared/ui/Unreadable";
import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";

import { useSheetSession, useFrame, useShown } from "../sheet";
import { choosePaths, tableState, useTableState } from "../state";
import { heights, reorderPaths } from "../order";
import { carriedPaths, carriesPaths, carryPaths, draggedBrush } from "./carried";
import { BrushList } from "./BrushList";
import { inPairs, type Pair, sideOf, sideWords } from "./pairs";
import { Strip } from "./Strip";
import { ImportDrawing } from "../importing/ImportDrawing";

/** A group of more paths than this is folded until it is opened. */
const LONG = 200;

interface GroupRow {
  id: string | null;
  name: string;
  mark: string | null;
  paths: PathShown[];
}

function useGroups(): GroupRow[] {
  const { groups, paths, runs } = useFrame("groups", "paths", "runs");
  const ordered = useMemo(() => {
    const height = heights(paths, runs);
    return paths.toSorted((a, b) => height.get(b.id)! - height.get(a.id)!);
  }, [paths, runs]);
  const rows: GroupRow[] = groups.map((group) => ({
    ...group,
    paths: ordered.filter((path) => path.group === group.id),
  }));
  const loose = ordered.filter((path) => !path.group);
  if (loose.length) rows.push({ id: null, name: "In no group", mark: null, paths: loose });
  return rows;
}

/** Paths and brushes, with a divider between them that is dragged, or moved with the arrow keys. */
export function PathsPanel({ className }: { className: string }) {
  return (
    <aside aria-label="Paths and brushes" className={`min-h-0 border-r border-base-300 bg-base-200 ${className}`}>
      <PanelGroup direction="vertical" autoSaveId="curlet-left">
        <SplitPanel minSize={20} defaultSize={45} order={1}>
          <PathList />
        </SplitPanel>
        <PanelResizeHandle
          aria-label="Divider between paths and brushes"
          className="grid h-2 place-items-center border-y border-base-300 hover:bg-base-300 data-resize-handle-active:bg-base-300"
        >
          <span aria-hidden className="h-0.5 w-8 rounded-full bg-(--edge)" />
        </PanelResizeHandle>
        <SplitPanel minSize={20} defaultSize={55} order={2}>
          <BrushList />
        </SplitPanel>
      </PanelGroup>
    </aside>
  );
}

function PathList() {
  const every = useGroups();
  const frame = useFrame("unreadable");
  const session = useSheetSession();
  const [sought, setSought] = useState("");
  const groups = sought ? every.map((group) => found(group, sought)).filter((group) => group.paths.length) : every;
  return (
    <Panel label="Paths" data-things className="flex h-full flex-col">
      <div className="flex items-baseline justify-between px-3 pt-1.5">
        <h2 className="font-bold">Paths</h2>
        <ImportDrawing />
      </div>
      <div className="px-3 pt-1 pb-1.5">
        <SearchField label="Find a path" value={sought} onChange={setSought} />
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto pb-2">
        {frame.unreadable.length > 0 && (
          <div className="px-2">
            <Unreadable rows={frame.unreadable} onRemove={(row) => void session.removeUnreadable(row.kind, row.id)} />
          </div>
        )}
        {groups.map((group) => (
          <Group key={group.id ?? "loose"} group={group} />
        ))}
        {every.length === 0 && <p className="px-3 py-1">No paths yet. Draft one (2), or import a drawing above.</p>}
        {every.length > 0 && groups.length === 0 && <p className="px-3 py-1">No path matches that.</p>}
      </div>
    </Panel>
  );
}

function found(group: GroupRow, sought: string): GroupRow {
  return { ...group, paths: group.paths.filter((path) => matches(`${path.name} ${group.name}`, sought)) };
}

/** A place that a brush can be dropped on. */
function useDrop(paths: PathShown[]) {
  const session = useSheetSession();
  return {
    onDragOver: (event: React.DragEvent) => draggedBrush(event) && event.preventDefault(),
    onDrop: (event: React.DragEvent) => {
      const brush = draggedBrush(event);
      if (!brush || !paths.length) return;
      event.preventDefault();
      void session.command({ kind: "lay-brush", paths: paths.map((path) => path.id), brush });
    },
  };
}

/** A row takes a brush, and paths over or under it: they go to its group and to its place in the order. */
function useRowDrop(pair: Pair) {
  const session = useSheetSession();
  const brush = useDrop(pair.paths);
  const [over, setOver] = useState<"above" | "below" | null>(null);
  const where = (event: React.DragEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    return event.clientY < box.top + box.height / 2 ? "above" : "below";
  };
  return {
    over,
    onDragOver: (event: React.DragEvent) => {
      if (!carriesPaths(event)) return brush.onDragOver(event);
      event.preventDefault();
      setOver(where(event));
    },
    onDragLeave: () => setOver(null),
    onDrop: (event: React.DragEvent) => {
      setOver(null);
      const paths = carriedPaths(event);
      if (!paths.length) return brush.onDrop(event);
      event.preventDefault();
      reorderPaths(session, paths, where(event), pair.paths[0]!);
    },
  };
}

/** A group's header takes a brush for all of its paths, and paths from other groups. */
function useGroupDrop(group: GroupRow) {
  const session = useSheetSession();
  const brush = useDrop(group.paths);
  return {
    onDragOver: (event: React.DragEvent) => {
      if (carriesPaths(event)) event.preventDefault();
      else brush.onDragOver(event);
    },
    onDrop: (event: React.DragEvent) => {
      const paths = carriedPaths(event);
      if (!paths.length) return brush.onDrop(event);
      event.preventDefault();
      void session.command({ kind: "group-paths", paths, group: group.id });
    },
  };
}

function Group({ group }: { group: GroupRow }) {
  const drop = useGroupDrop(group);
  const [open, setOpen] = useState(group.paths.length <= LONG);
  const { letterings } = useFrame("letterings");
  const chooseAll = () => choosePaths(group.paths.map((path) => path.id));
  return (
    <div className="mb-2">
      <div data-line className="flex items-baseline hover:bg-base-100">
        <button
          {...beside}
          className="w-6 shrink-0 cursor-pointer self-stretch pl-1.5 text-[10px]"
          aria-expanded={open}
          aria-label={`Paths of ${group.name}`}
          title={open ? "Fold this group" : "Unfold this group"}
          onClick={() => setOpen(!open)}
        >
          <span aria-hidden>{open ? "▾" : "▸"}</span>
        </button>
        <button
          {...stop}
          className="flex min-w-0 flex-1 cursor-pointer items-baseline gap-2 py-0.5 pr-3 text-left"
          title="Choose every path of this group, to set them all at once. Drop paths or a brush here."
          onClick={chooseAll}
          {...drop}
        >
          <span
            aria-hidden
            className="own-colour size-2.5 shrink-0 self-center rounded-full border border-base-content/40"
            style={{ background: group.mark ?? "transparent" }}
          />
          <span className="truncate font-semibold">{group.name}</span>
          <span className="measure muted ml-auto whitespace-nowrap">{plural(group.paths.length, "path")}</span>
        </button>
      </div>
      {open && (
        <ul>
          {inPairs(group.paths, letterings).map((pair) => (
            <PathRow key={pair.paths[0]!.id} pair={pair} />
          ))}
        </ul>
      )}
    </div>
  );
}

const adds = (event: React.MouseEvent) => event.shiftKey || event.ctrlKey || event.metaKey;

function choosePath(paths: PathShown[], more: boolean) {
  const { chosen } = tableState();
  const ids = paths.map((path) => path.id);
  if (!more) return choosePaths(ids);
  const others = chosen.filter((id) => !ids.includes(id));
  choosePaths(others.length === chosen.length - ids.length ? others : [...others, ...ids]);
}

function PathRow({ pair }: { pair: Pair }) {
  const chosen = useTableState((state) => state.chosen);
  const { bare } = useLength();
  const { over, ...drop } = useRowDrop(pair);
  const [first] = pair.paths;
  const isChosen = pair.paths.some((path) => chosen.includes(path.id));
  const ids = pair.paths.map((path) => path.id);
  const words = [
    pair.paths.every((path) => path.hidden) && "hidden",
    pair.paths.every((path) => path.locked) && "locked",
  ].filter(Boolean);
  return (
    <li
      data-line
      draggable
      onDragStart={(event) => carryPaths(event, isChosen ? chosen : ids)}
      className={`border-l-[3px] py-0.5 pr-3 pl-[27px] ${
        isChosen ? "border-base-content bg-base-100" : "border-transparent hover:bg-base-100"
      } ${over === "above" ? "shadow-[0_-2px_0_var(--color-base-content)]" : over ? "shadow-[0_2px_0_var(--color-base-content)]" : ""}`}
      {...drop}
    >
      <div className="flex items-baseline gap-1">
        <button
          {...stop}
          title={pair.name}
          className="min-w-0 flex-1 cursor-pointer truncate text-left"
          aria-pressed={pair.paths.every((path) => chosen.includes(path.id))}
          data-testid={pair.paths.length === 1 ? `row-${first!.id}` : undefined}
          onClick={(event) => choosePath(pair.paths, adds(event))}
        >
          {pair.name}
        </button>
        {pair.paths.length > 1 && !pair.parts && pair.paths.map((path) => <Side key={path.id} path={path} />)}
        {words.length > 0 && <span className="muted text-[12px] italic">{words.join(", ")}</span>}
        <span className="measure min-w-[46px] text-right whitespace-nowrap">
          {pair.parts ? plural(pair.paths.length, pair.parts) : bare(first!.length.garment, 1)}
        </span>
      </div>
      <PathBrushes paths={pair.paths} />
    </li>
  );
}

/** One half of a pair. */
function Side({ path }: { path: PathShown }) {
  const chosen = useTableState((state) => state.chosen);
  const isChosen = chosen.includes(path.id);
  const side = sideOf(path)!;
  return (
    <button
      {...beside}
      className={`size-6 shrink-0 cursor-pointer rounded-full text-[12px] ${
        isChosen ? "bg-secondary text-secondary-content" : "hover:bg-base-300"
      }`}
      aria-pressed={isChosen}
      aria-label={`${path.name}, ${sideWords[side]}`}
      title={sideWords[side]}
      data-testid={`row-${path.id}`}
      onClick={(event) => choosePath([path], adds(event))}
    >
      {side}
    </button>
  );
}

/** What brushes the paths have: one strip where they have the same, otherwise one each. */
function PathBrushes({ paths }: { paths: PathShown[] }) {
  const session = useSheetSession();
  const runs = useShown((frame) => paths.map((path) => frame.runs.findLast((item) => item.path === path.id)));
  const same = runs.every((run) => run?.key === runs[0]?.key && run?.shown === runs[0]?.shown);
  return (
    <div className="flex gap-1">
      {(same ? runs.slice(0, 1) : runs.slice(0, 2)).map((run, i) => (
        <div key={i} className="min-w-0 flex-1">
          <PathBrush run={run} sheet={session.id} side={same ? null : sideOf(paths[i]!)} />
        </div>
      ))}
    </div>
  );
}

function PathBrush({ run, sheet, side }: { run: RunShown | undefined; sheet: string; side: string | null }) {
  const word = run ? (run.shown ? null : "hidden") : "no brush";
  if (word || !run) {
    return (
      <span className="muted block text-[12px] leading-[19px] italic">
        {side && `${side} `}
        {word}
      </span>
    );
  }
  return <Strip src={`/api/sheets/${sheet}/runs/${run.id}/strip.svg?key=${run.key}`} />;
}
