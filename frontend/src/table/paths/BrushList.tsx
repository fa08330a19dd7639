/** The brushes, to lay or to place. */
import { memo } from "react";
import { Link } from "react-router";

import type { BrushShown } from "@/shared/api/types";
import { plural } from "@/shared/ui/words";

import { chooseTool } from "../HeadStrip";
import { type SheetSession, useFrame, useSheetSession, useShown } from "../sheet";
import { choosePaths, tableState, useTableState } from "../state";
import { middle } from "../tools/figure/figurePointer";
import { carryBrush } from "./carried";
import { Strip } from "./Strip";

export const BrushList = memo(function BrushList() {
  const frame = useFrame("brushes");
  const chosen = useTableState((state) => state.chosen);
  const only = useShown(({ paths }) =>
    chosen.length === 1 ? paths.find((path) => path.id === chosen[0])?.name : null,
  );
  const on = chosen.length > 1 ? plural(chosen.length, "path") : (only ?? null);
  return (
    <section aria-label="Brushes" className="max-h-[46%] overflow-y-auto border-t border-base-300 pt-2 pb-2">
      <h2 className="flex items-baseline justify-between px-3 font-bold">
        Brushes
        <Link
          className="text-[12px] font-normal text-accent underline decoration-dotted underline-offset-2"
          to="/library"
        >
          Library
        </Link>
      </h2>
      <ul>
        {frame.brushes.map((brush) => (
          <BrushRow key={brush.id} brush={brush} on={on} />
        ))}
      </ul>
    </section>
  );
});

/** One repeat in the middle of what is seen, chosen so that it can be moved. */
async function placeOne(session: SheetSession, brush: string) {
  const at = middle() ?? { x: 0, y: 0 };
  const known = new Set(session.keptSingles());
  chooseTool("choose");
  choosePaths([]);
  if (await session.command({ kind: "place-single", brush, ...at })) return;
  tableState().set({ single: session.keptSingles().find((id) => !known.has(id)) ?? null });
}

interface BrushRowProps {
  brush: BrushShown;
  /** What it is laid on when it is pressed, in words. */
  on: string | null;
}

const BrushRow = memo(function BrushRow({ brush, on }: BrushRowProps) {
  const session = useSheetSession();
  const lay = () => {
    const paths = tableState().chosen;
    if (paths.length) {
      const another = tableState().adding;
      tableState().set({ adding: false, run: null, place: null });
      void session.command({ kind: "lay-brush", paths: [...paths], brush: brush.id, another });
    } else {
      tableState().set({ notice: { tone: "word", text: "Choose a path first, then press a brush to lay it there." } });
    }
  };
  return (
    <li className="group relative">
      <span className="absolute top-0.5 right-3 z-10 flex gap-1 text-[12px] opacity-0 group-hover:opacity-100 focus-within:opacity-100">
        <button
          className="cursor-pointer rounded-field bg-base-100 px-1.5 text-accent"
          aria-label={`${brush.name}, place one`}
          onClick={() => void placeOne(session, brush.id)}
        >
          Place one
        </button>
        <Link
          className="rounded-field bg-base-100 px-1.5 text-accent"
          to={`/bench/${brush.id}`}
          aria-label={`${brush.name}, on the Bench`}
        >
          On the Bench
        </Link>
      </span>
      <button
        draggable
        data-testid={`brush-${brush.id}`}
        title={on ? `Lay on ${on}` : brush.name}
        className="block w-full cursor-pointer px-3 py-0.5 text-left hover:bg-base-100"
        onClick={lay}
        onDragStart={(event) => carryBrush(event, brush.id)}
      >
        <span className="flex items-baseline gap-2 text-[12px]">
          <span className="truncate">{brush.name}</span>
          {brush.used_by > 0 && <span className="muted ml-auto whitespace-nowrap">{plural(brush.used_by, "run")}</span>}
        </span>
        <Strip src={`/api/brushes/${brush.id}/strip.svg?key=${brush.key}`} />
      </button>
    </li>
  );
});
