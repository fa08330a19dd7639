/** Whose ticket it is: the path's name, its group, both lengths, and how many are chosen. */
import { NameField } from "@/shared/ui/NameField";
import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";

import { useChosen, useSheetSession, useFrame } from "../sheet";

export function PathHead() {
  const { sheet, groups } = useFrame("groups", "sheet");
  const { path, paths } = useChosen();
  const session = useSheetSession();
  const { text, bare } = useLength();
  const group = groups.find((item) => item.id === path!.group)?.name;
  const words = [group, path!.closed ? "closed" : "open", path!.hidden && "hidden", path!.locked && "locked"].filter(
    Boolean,
  );
  return (
    <header>
      <h2>
        <NameField
          key={path!.id}
          heading
          label="Name of the path"
          value={path!.name}
          onKeep={(name) => void session.command({ kind: "rename-path", path: path!.id, name })}
        />
      </h2>
      <p className="muted">
        {words.join(" · ")} · <span className="measure">{text(path!.length.garment, 1)}</span>
        {sheet.factor !== 1 && (
          <>
            , <span className="measure">{bare(path!.length.paper, 1)}</span> paper
          </>
        )}
      </p>
      {paths.length > 1 && (
        <p className="border-l-4 border-accent bg-base-200 px-2 py-0.5">
          {plural(paths.length, "path")} chosen: a change goes to all.
        </p>
      )}
    </header>
  );
}
