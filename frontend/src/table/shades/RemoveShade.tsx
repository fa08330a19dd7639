/** A shade that is used is to be removed: which takes its place? */
import { useState } from "react";

import type { ShadeShown } from "@/shared/api/types";
import { Dialog } from "@/shared/ui/Dialog";
import { Pick } from "@/shared/ui/Pick";
import { plural } from "@/shared/ui/words";

import { useFrame, useSheetSession } from "../sheet";

/** What uses it keeps its colour as one of its own. */
const OWN = "own";

export function RemoveShade({ shade, onClose }: { shade: ShadeShown; onClose: () => void }) {
  const session = useSheetSession();
  const { shades } = useFrame("shades");
  const others = shades.filter((other) => other.id !== shade.id);
  const [successor, setSuccessor] = useState(OWN);
  const remove = async () => {
    onClose();
    await session.command({ kind: "remove-shade", shade: shade.id, successor });
  };
  return (
    <Dialog title={`Remove ${shade.name}`} width={420} onClose={onClose}>
      <p>It is used {plural(shade.used, "time")}. What takes its place there?</p>
      <Pick label="What takes its place" className="mt-2 w-full" value={successor} onPick={setSuccessor}>
        <option value={OWN}>No shade: the colour stays where it is used</option>
        {others.map((other) => (
          <option key={other.id} value={other.id}>
            {other.name}
          </option>
        ))}
      </Pick>
      <div className="mt-4 flex gap-2">
        <button
          className="cursor-pointer rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
          onClick={() => void remove()}
        >
          Remove the shade
        </button>
        <button className="cursor-pointer rounded-field px-2 py-1 hover:bg-base-200" onClick={onClose}>
          Cancel
        </button>
      </div>
    </Dialog>
  );
}
