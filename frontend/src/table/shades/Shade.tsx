/** One shade of the card: folded its swatch, name and use; open its name, colour and place. */
import { useState } from "react";

import type { Intent, ShadeShown } from "@/shared/api/types";
import { QuietButton } from "@/shared/maker/QuietButton";
import { ColourField } from "@/shared/ui/ColourField";
import { NameField } from "@/shared/ui/NameField";
import { stop } from "@/shared/ui/stops";
import { plural } from "@/shared/ui/words";

import { useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { RemoveShade } from "./RemoveShade";
import { Sliders } from "./Sliders";

interface Props {
  shade: ShadeShown;
  place: number;
  last: number;
  open: boolean;
}

export function Shade({ shade, place, last, open }: Props) {
  return (
    <li
      className={
        open ? "-mx-3.5 border-y border-base-content bg-base-200 px-3.5 pb-2" : "border-b border-dotted border-base-300"
      }
      data-testid={`shade-${shade.id}`}
    >
      <button
        {...stop}
        className="flex min-h-7 w-full cursor-pointer items-center gap-2 text-left hover:bg-base-200"
        aria-expanded={open}
        onClick={() => tableState().set({ card: { shade: open ? null : shade.id }, picking: null })}
      >
        <span
          aria-hidden
          className="own-colour h-5 w-8 shrink-0 rounded-field border border-base-content/60"
          style={{ background: shade.colour }}
        />
        <span className="min-w-0 flex-1 truncate">{shade.name}</span>
        <span className="measure muted text-[12px]">{shade.used ? plural(shade.used, "use") : "not used"}</span>
      </button>
      {open && <Opened shade={shade} place={place} last={last} />}
    </li>
  );
}

function Opened({ shade, place, last }: Omit<Props, "open">) {
  const session = useSheetSession();
  const picking = useTableState((state) => state.picking === shade.id);
  const [removing, setRemoving] = useState(false);
  const set = (values: { name?: string; colour?: string }): Intent => ({
    kind: "set-shade",
    shade: shade.id,
    ...values,
  });
  const move = (to: number) => void session.command({ kind: "order-shade", shade: shade.id, place: to });
  const remove = () =>
    shade.used ? setRemoving(true) : void session.command({ kind: "remove-shade", shade: shade.id });
  return (
    <>
      <div className="mt-1 flex items-center gap-2">
        <span className="w-[64px] shrink-0">Name</span>
        <NameField
          label="Name of the shade"
          value={shade.name}
          onKeep={(name) => void session.command(set({ name }))}
        />
      </div>
      <div className="mt-1 flex items-center gap-2">
        <span className="w-[64px] shrink-0">Colour</span>
        <ColourField
          label={`Colour of ${shade.name}`}
          value={shade.colour}
          onPreview={(colour) => session.preview(set({ colour }))}
          onCommit={(colour) => session.entered(set({ colour }))}
        />
      </div>
      <Sliders
        value={shade.oklch}
        onPreview={(colour) => session.preview(set({ colour }))}
        onCommit={(colour) => void session.command(set({ colour }))}
      />
      <div className="mt-1.5 flex flex-wrap gap-1">
        <QuietButton pressed={picking} onClick={() => tableState().set({ picking: picking ? null : shade.id })}>
          {picking ? "Now press the sheet where the colour is" : "Pick it from the sheet"}
        </QuietButton>
        {place > 0 && <QuietButton onClick={() => move(place - 1)}>Up</QuietButton>}
        {place < last && <QuietButton onClick={() => move(place + 1)}>Down</QuietButton>}
        <QuietButton onClick={remove}>Remove</QuietButton>
      </div>
      {removing && <RemoveShade shade={shade} onClose={() => setRemoving(false)} />}
    </>
  );
}
