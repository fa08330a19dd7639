/** The brushes, to lay or to place: those used on this sheet first, then own, then built in. */
import { memo, useState } from "react";
import { Link, useNavigate } from "react-router";

import type { BrushShown } from "@/shared/api/types";
import { KINDS } from "@/shared/families";
import { Menu } from "@/shared/ui/Menu";
import { Panel } from "@/shared/ui/Panel";
import { Pills } from "@/shared/ui/Pills";
import { matches, SearchField } from "@/shared/ui/SearchField";
import { beside, stop } from "@/shared/ui/stops";
import { plural } from "@/shared/ui/words";

import { chooseTool } from "../HeadStrip";
import { type SheetSession, useFrame, useSheetSession, useShown } from "../sheet";
import { choosePaths, tableState, useTableState } from "../state";
import { middle } from "../tools/figure/figurePointer";
import { carryBrush } from "./carried";
import { Strip } from "./Strip";

const SHOWN = [["all", "All"], ["own", "Own"], ["look", "Looks"], ...KINDS] as const;
type Shown = (typeof SHOWN)[number][0];

function listed(brush: BrushShown, shown: Shown, sought: string): boolean {
  const kind =
    shown === "all" || (shown === "own" ? !brush.builtin : shown === "look" ? brush.look : brush.kind === shown);
  return kind && matches(`${brush.name} ${brush.kind}`, sought);
}

export const BrushList = memo(function BrushList() {
  const { brushes } = useFrame("brushes");
  const [shown, setShown] = useState<Shown>("all");
  const [sought, setSought] = useState("");
  const chosen = useTableState((state) => state.chosen);
  const only = useShown(({ paths }) =>
    chosen.length === 1 ? paths.find((path) => path.id === chosen[0])?.name : null,
  );
  const on = chosen.length > 1 ? plural(chosen.length, "path") : (only ?? null);
  const every = brushes.filter((brush) => listed(brush, shown, sought));
  const sections = [
    ["Used on this sheet", every.filter((brush) => brush.used_by > 0)],
    ["Looks", every.filter((brush) => brush.used_by === 0 && brush.look)],
    ["Own", every.filter((brush) => brush.used_by === 0 && !brush.builtin && !brush.look)],
    ["Built in", every.filter((brush) => brush.used_by === 0 && brush.builtin)],
  ] as const;
  return (
    <Panel label="Brushes" className="flex h-full flex-col">
      <h2 className="flex items-baseline justify-between px-3 pt-1.5 font-bold">
        Brushes
        <Link
          {...stop}
          className="text-[12px] font-normal text-accent underline decoration-dotted underline-offset-2"
          to="/library"
        >
          Library
        </Link>
      </h2>
      <div className="space-y-1 px-3 pt-1 pb-1.5">
        <SearchField label="Find a brush" value={sought} onChange={setSought} />
        <Pills label="Kinds of brush" options={SHOWN} value={shown} onChange={setShown} />
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto pb-2">
        {every.length === 0 && (
          <p className="px-3">No brush matches that. Shorten the search, choose All, or make one in the Library.</p>
        )}
        {sections.map(
          ([name, some]) =>
            some.length > 0 && (
              <section key={name} aria-label={name}>
                <h3 className="muted px-3 pt-1 text-[12px]">{name}</h3>
                <ul>
                  {some.map((brush) => (
                    <BrushRow key={brush.id} brush={brush} on={on} />
                  ))}
                </ul>
              </section>
            ),
        )}
      </div>
    </Panel>
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

function layBrush(session: SheetSession, brush: string, another: boolean) {
  const paths = tableState().chosen;
  if (!paths.length) {
    tableState().set({ notice: { tone: "word", text: "Choose a path first, then press a brush to lay it there." } });
    return;
  }
  tableState().set({ adding: false, run: null, place: null });
  void session.command({ kind: "lay-brush", paths: [...paths], brush, another });
}

interface BrushRowProps {
  brush: BrushShown;
  /** What it is laid on when it is pressed, in words. */
  on: string | null;
}

const BrushRow = memo(function BrushRow({ brush, on }: BrushRowProps) {
  const session = useSheetSession();
  const navigate = useNavigate();
  const noPath = !on && "Choose a path first";
  return (
    <li data-line className="relative hover:bg-base-100">
      <button
        {...stop}
        draggable
        data-testid={`brush-${brush.id}`}
        title={on ? `${brush.name}: lay on ${on}` : brush.name}
        className="block h-[34px] w-full cursor-pointer pr-9 pl-3 text-left"
        onClick={() => layBrush(session, brush.id, tableState().adding)}
        onDragStart={(event) => carryBrush(event, brush.id)}
      >
        <span className="flex items-baseline gap-2 text-[12px] leading-[15px]">
          <span className="truncate">{brush.name}</span>
          {brush.used_by > 0 && (
            <span className="measure muted ml-auto" title={`Used ${plural(brush.used_by, "time")} on this sheet`}>
              {brush.used_by}
            </span>
          )}
        </span>
        <Strip src={`/api/brushes/${brush.id}/strip.svg?key=${brush.key}`} />
      </button>
      <span className="absolute top-[5px] right-2">
        <Menu
          label={`${brush.name}: more`}
          trigger={beside}
          items={[
            { label: "Lay it beside the others", off: noPath, onPick: () => layBrush(session, brush.id, true) },
            { label: "Place one repeat", onPick: () => placeOne(session, brush.id) },
            { label: "Open on the Bench", onPick: () => navigate(`/bench/${brush.id}`) },
          ]}
        />
      </span>
    </li>
  );
});
