/** The shade card: a page of the sheet's Ticket, opened from there or from any swatch. */
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { stop } from "@/shared/ui/stops";

import { useFrame, useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { CardFiles } from "./CardFiles";
import { Colourways } from "./Colourways";
import { Shade } from "./Shade";

/** The row of the sheet's Ticket that the card is opened from. */
export function CardRow() {
  const { shades, colourways } = useFrame("shades", "colourways");
  const shown = colourways.find((way) => way.shown);
  return (
    <h3 className="mt-2.5 border-y border-base-content">
      <button
        {...stop}
        className="flex min-h-8 w-full cursor-pointer items-center gap-2 py-[3px] text-left hover:bg-base-200"
        data-testid="shade-card"
        onClick={() => tableState().set({ card: { shade: null } })}
      >
        <span className="w-[76px] shrink-0 font-semibold">Shade card</span>
        <span className="flex min-w-0 flex-1 gap-0.5 overflow-hidden">
          {shades.length === 0 && <span className="muted">no shades yet</span>}
          {shades.slice(0, 7).map((shade) => (
            <span
              key={shade.id}
              title={shade.name}
              className="own-colour size-3.5 shrink-0 rounded-[3px] border border-base-content/60"
              style={{ background: shade.colour }}
            />
          ))}
        </span>
        {colourways.length > 1 && <span className="muted max-w-24 truncate">{shown?.name}</span>}
        <span aria-hidden className="muted">
          ›
        </span>
      </button>
    </h3>
  );
}

export function ShadeCard() {
  const session = useSheetSession();
  const { shades } = useFrame("shades");
  const open = useTableState((state) => state.card?.shade ?? null);
  const add = async () => {
    const known = new Set(session.frame.shades.map((shade) => shade.id));
    if (await session.command({ kind: "add-shade", colour: "#8c9a8f" })) return;
    const made = session.frame.shades.find((shade) => !known.has(shade.id));
    if (made) tableState().set({ card: { shade: made.id } });
  };
  return (
    <div data-testid="card">
      <div className="sticky -top-3 z-10 -mx-3.5 bg-base-100 px-3.5 pb-1">
        <button
          {...stop}
          // The page takes the place of what was pressed: the keys go on from here.
          // eslint-disable-next-line jsx-a11y/no-autofocus
          autoFocus
          className="flex min-h-7 w-full cursor-pointer items-baseline gap-2 text-left hover:bg-base-200"
          data-testid="card-back"
          onClick={() => tableState().set({ card: null, picking: null })}
        >
          <span aria-hidden>‹</span> Back
        </button>
        <h2 className="text-[18px] font-bold">Shade card</h2>
      </div>
      <Colourways />
      <Heading>Shades</Heading>
      {shades.length === 0 && (
        <p className="muted mb-1">
          A shade is a named colour. Change it here, and everything on the sheet that uses it changes.
        </p>
      )}
      <ul>
        {shades.map((shade, place) => (
          <Shade key={shade.id} shade={shade} place={place} last={shades.length - 1} open={shade.id === open} />
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-1">
        <QuietButton onClick={add}>Add a shade</QuietButton>
        <QuietButton onClick={() => session.command({ kind: "shades-from-use" })}>
          Make shades of the colours in use
        </QuietButton>
      </div>
      <CardFiles />
    </div>
  );
}
