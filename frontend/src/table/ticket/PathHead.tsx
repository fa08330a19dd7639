/** Whose ticket it is: the path's name, its brush, and both lengths. */
import { useState } from "react";

import { QuietButton } from "@/shared/maker/QuietButton";
import { ColourField } from "@/shared/ui/ColourField";
import { Tick } from "@/shared/ui/Tick";
import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";

import { useChosen, useSheetSession, useFrame } from "../sheet";
import { Similar } from "./Similar";

export function PathHead() {
  const frame = useFrame("brushes", "sheet");
  const { path, run, paths } = useChosen();
  const brush = run && frame.brushes.find((item) => item.id === run.brush);
  const { text, bare } = useLength();
  const scaled = frame.sheet.factor !== 1;
  return (
    <header>
      <Name key={path!.id} />
      <p className="muted">
        {brush ? brush.name : "Bare"} · {path!.closed ? "closed" : "open"}
      </p>
      <p className="muted">
        Path <span className="measure">{text(path!.length.garment, 1)}</span>
        {scaled && (
          <>
            {" "}
            on the garment, <span className="measure">{bare(path!.length.paper, 1)}</span> on paper
          </>
        )}
      </p>
      {paths.length > 1 && (
        <p className="mt-1 border-l-4 border-accent bg-base-200 px-2 py-1">
          {plural(paths.length, "path")} chosen: a change here goes to every run on them.
        </p>
      )}
      {path!.lined && <MatchLine />}
      <GroupChoice />
      <GroupMark key={path!.group} />
      <Kept />
      <Similar />
    </header>
  );
}

/** A brush with the stitch length, gap, thread, ends and colour of the line as it was drawn. */
function MatchLine() {
  const session = useSheetSession();
  const { path } = useChosen();
  return (
    <div className="my-1">
      <QuietButton onClick={() => session.command({ kind: "match-line", path: path!.id })}>
        Match the line as it was drawn
      </QuietButton>
    </div>
  );
}

function Name() {
  const session = useSheetSession();
  const { path } = useChosen();
  const [entered, setTyped] = useState<string | null>(null);
  const keep = () => {
    const name = entered?.trim();
    setTyped(null);
    if (name && name !== path!.name) void session.command({ kind: "rename-path", path: path!.id, name });
  };
  return (
    <h2>
      <input
        aria-label="Name of the path"
        className="w-full truncate rounded-field border border-transparent bg-transparent text-[18px] font-bold hover:border-base-300 focus:border-base-300"
        value={entered ?? path!.name}
        maxLength={120}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") setTyped(null);
        }}
      />
    </h2>
  );
}

/** The seam group's own name and mark colour. */
function GroupMark() {
  const frame = useFrame("groups");
  const session = useSheetSession();
  const { path } = useChosen();
  const [entered, setTyped] = useState<string | null>(null);
  const group = frame.groups.find((item) => item.id === path!.group);
  if (!group) return null;
  const rename = () => {
    const name = entered?.trim();
    setTyped(null);
    if (name && name !== group.name) void session.command({ kind: "set-group", group: group.id, name });
  };
  return (
    <details className="mt-1 text-[12px]">
      <summary className="cursor-pointer">Name and mark of the group</summary>
      <input
        aria-label="Name of the group"
        className="my-1 w-full rounded-field border border-base-300 bg-base-100 px-1.5 py-0.5"
        value={entered ?? group.name}
        maxLength={120}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={rename}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") setTyped(null);
        }}
      />
      <ColourField
        label="Mark colour"
        value={group.mark}
        onPreview={() => undefined}
        onCommit={async (mark) =>
          (await session.command({ kind: "set-group", group: group.id, mark }))?.message ?? null
        }
      />
    </details>
  );
}

/** Whether the chosen paths are hidden, and whether their lines are locked. */
function Kept() {
  const session = useSheetSession();
  const { paths } = useChosen();
  const ids = paths.map((item) => item.id);
  return (
    <div className="mt-1 flex gap-4 text-[12px]">
      <Tick
        label="Hidden"
        on={paths.every((item) => item.hidden)}
        onChange={(on) => void session.command({ kind: "show-paths", paths: ids, shown: !on })}
      />
      <Tick
        label="Locked: its line stays"
        on={paths.every((item) => item.locked)}
        onChange={(on) => void session.command({ kind: "lock-paths", paths: ids, locked: on })}
      />
    </div>
  );
}

const NONE = "";
const NEW = "+";

function GroupChoice() {
  const frame = useFrame("groups");
  const session = useSheetSession();
  const { path, paths } = useChosen();
  const [naming, setNaming] = useState<string | null>(null);
  const ids = paths.map((item) => item.id);
  const put = (group: string) => {
    if (group === NEW) setNaming("");
    else void session.command({ kind: "group-paths", paths: ids, group: group || null });
  };
  const make = () => {
    const name = naming?.trim();
    setNaming(null);
    if (name) void session.command({ kind: "group-paths", paths: ids, new_name: name });
  };
  return (
    <div className="mt-1 flex items-center gap-2 text-[12px]">
      <label htmlFor="seam-group">Seam group</label>
      {naming === null ? (
        <select
          id="seam-group"
          className="min-w-0 flex-1 rounded-field border border-base-300 bg-base-100 px-1 py-0.5"
          value={path!.group ?? NONE}
          onChange={(event) => put(event.target.value)}
        >
          <option value={NONE}>In no group</option>
          {frame.groups.map((group) => (
            <option key={group.id} value={group.id}>
              {group.name}
            </option>
          ))}
          <option value={NEW}>A new group …</option>
        </select>
      ) : (
        <input
          id="seam-group"
          // eslint-disable-next-line jsx-a11y/no-autofocus -- the person has just asked to name a group
          autoFocus
          placeholder="Name of the new group"
          className="min-w-0 flex-1 rounded-field border border-base-300 bg-base-100 px-1 py-0.5"
          value={naming}
          onChange={(event) => setNaming(event.target.value)}
          onBlur={make}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === "Enter") make();
            if (event.key === "Escape") setNaming(null);
          }}
        />
      )}
    </div>
  );
}
