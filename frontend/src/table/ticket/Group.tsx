/** The seam group that the chosen paths are in, its name and its mark colour. */
import { useState } from "react";

import { Decision } from "@/shared/maker/Decision";
import { ColourField } from "@/shared/ui/ColourField";
import { NameField } from "@/shared/ui/NameField";
import { Pick } from "@/shared/ui/Pick";

import { useChosen, useSheetSession, useFrame } from "../sheet";

const NONE = "";
const NEW = "+";

export function Group() {
  const { groups } = useFrame("groups");
  const session = useSheetSession();
  const { path } = useChosen();
  const group = groups.find((item) => item.id === path!.group);
  return (
    <Decision id="group" label="Group" set={group?.name ?? "none"}>
      <GroupChoice />
      {group && (
        <div className="mt-1.5 space-y-1" key={group.id}>
          <NameField
            label="Name of the group"
            value={group.name}
            onKeep={(name) => void session.command({ kind: "set-group", group: group.id, name })}
          />
          <ColourField
            label="Mark colour"
            value={group.mark}
            onPreview={() => undefined}
            onCommit={async (mark) => await session.entered({ kind: "set-group", group: group.id, mark })}
          />
        </div>
      )}
    </Decision>
  );
}

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
        <Pick
          label="Seam group"
          id="seam-group"
          className="min-w-0 flex-1"
          value={path!.group ?? NONE}
          onPick={(picked) => put(picked)}
        >
          <option value={NONE}>In no group</option>
          {frame.groups.map((group) => (
            <option key={group.id} value={group.id}>
              {group.name}
            </option>
          ))}
          <option value={NEW}>A new group …</option>
        </Pick>
      ) : (
        <input
          id="seam-group"
          // eslint-disable-next-line jsx-a11y/no-autofocus -- the person has just asked to name a group
          autoFocus
          placeholder="Name of the new group"
          className="min-w-0 flex-1 rounded-field border border-(--edge) bg-base-100 px-1 py-0.5"
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
