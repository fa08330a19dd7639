/** The artwork at a place, large, to be drawn on: its shapes, its cell's edges, its neighbours faint. */
import { useMemo, useState } from "react";

import type { ArtworkShown, GroupShown } from "@/shared/api/types";
import { Choice } from "@/shared/ui/Choice";
import { QuietButton } from "@/shared/maker/QuietButton";

import { bench, useBench, useWorkbench, type DrawingTool } from "../bench";
import { Painted } from "@/shared/draw/Painted";
import { PLACE_WORDS } from "../SampleStrip";
import { useSize } from "../useSize";
import { CellEdges } from "./CellEdges";
import { Ghost } from "./Ghost";
import { NewFigure } from "./NewFigure";
import { Shapes } from "./Shapes";
import type { View } from "./view";

const HEIGHT = 400;
/** How much of a neighbour is seen to either side. */
const BESIDE = 0.35;
const FAINT = 0.25;

const TOOLS: readonly (readonly [DrawingTool, string])[] = [
  ["choose", "Choose"],
  ["line", "Line"],
  ["curve", "Curve"],
  ["disc", "Disc"],
  ["rectangle", "Rectangle"],
];

const SAYS: Record<DrawingTool, string> = {
  choose: "Press a shape to choose it, with Shift to choose more. Drag it, or move it by the arrow keys.",
  line: "Press where its points lie; press the first again to close it, Enter to end it.",
  curve: "Press where it passes; press the first again to close it, Enter to end it.",
  disc: "Drag from one corner of its box to the opposite one.",
  rectangle: "Drag from one corner to the opposite one.",
};

export function DrawingBoard({ artwork: now }: { artwork: ArtworkShown }) {
  const workbench = useWorkbench();
  // While an edge of the cell is dragged the artwork lies still and the edge moves over it.
  const [still, setStill] = useState<ArtworkShown | null>(null);
  const artwork = still ?? now;
  const count = useKeptCount(now);
  const tool = useBench((state) => state.tool);
  const [box, { width }] = useSize<HTMLDivElement>();
  const view = useSteadyView(artwork, width);
  const group = useMemo<GroupShown>(
    () => ({
      type: "group",
      id: "drawing",
      opacity: 1,
      clip: null,
      items: [{ type: "laid", shapes: artwork.shapes.map((shape) => shape.shown) }],
    }),
    [artwork],
  );
  const groups = useMemo(() => [group], [group]);
  const step = artwork.length * view.zoom;
  return (
    <section aria-label="Drawing" className="shrink-0 border-b border-base-300 px-3.5 pt-2 pb-2.5">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="font-bold">Drawing the {PLACE_WORDS[artwork.place]}</h2>
        <Choice label="Hand tool" options={TOOLS} value={tool} onChange={(picked) => bench().set({ tool: picked })} />
        <span className="ml-auto">
          <QuietButton onClick={() => workbench.draw(null)}>Done drawing</QuietButton>
        </span>
      </div>
      <p className="muted mt-1 text-[12px]">{SAYS[tool]} Hold Alt to place it freely.</p>
      <div
        ref={box}
        className="relative mt-1.5 overflow-hidden rounded-box bg-(--cloth)"
        style={{ height: HEIGHT }}
        data-testid="drawing-board"
      >
        {width > 0 && (
          <>
            {(artwork.place === "repeat" ? [-1, 1] : []).map((side) => (
              <div key={side} className="absolute inset-0" style={{ opacity: FAINT }}>
                <Painted groups={groups} width={width} height={HEIGHT} at={{ ...view, x: view.x + side * step }} />
              </div>
            ))}
            <div className="absolute inset-0">
              <Painted groups={groups} width={width} height={HEIGHT} at={view} />
            </div>
            <svg className="absolute inset-0 h-full w-full" role="group" aria-label="Shapes and cell">
              <Ghost artwork={artwork} view={view} />
              {tool === "choose" ? (
                <>
                  <CellEdges artwork={artwork} view={view} height={HEIGHT} width={width} onHold={setStill} />
                  <Shapes artwork={artwork} view={view} count={count} />
                </>
              ) : (
                <NewFigure key={tool} artwork={artwork} view={view} figure={tool} />
              )}
            </svg>
          </>
        )}
      </div>
    </section>
  );
}

/** How many shapes there are without those that an edit would add while it is only tried. */
function useKeptCount(artwork: ArtworkShown): number {
  const tried = useBench((state) => state.tried !== null);
  const now = artwork.shapes.length;
  const [kept, setKept] = useState(now);
  if (tried) return Math.min(kept, now);
  if (kept !== now) setKept(now);
  return now;
}

/** The view that shows the whole cell; it stays still while an edit is only tried, and follows what is kept. */
function useSteadyView(artwork: ArtworkShown, width: number): View {
  const tried = useBench((state) => state.tried !== null);
  const fresh = useMemo(() => ({ ...fittedView(artwork, width), width }), [artwork, width]);
  const [kept, setKept] = useState(fresh);
  if (kept.width === width && tried) return kept;
  if (!same(kept, fresh)) setKept(fresh);
  return fresh;
}

const same = (a: View & { width: number }, b: View & { width: number }) =>
  a.zoom === b.zoom && a.x === b.x && a.y === b.y && a.width === b.width;

function fittedView({ length, width: wide }: ArtworkShown, width: number): View {
  const zoom = Math.min(width / (length * (1 + 2 * BESIDE)), (HEIGHT - 70) / Math.max(wide, 0.05), 400);
  return { zoom, x: width / 2 - (zoom * length) / 2, y: HEIGHT / 2 };
}
