/** What is drawn, in numbers: the shapes, what is set of them, and what can be done with them. */
import type { ShapeShown } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";

import { bench, useBench, useWorkbench } from "../bench";
import { NewByNumber } from "./NewByNumber";
import { round } from "./snap";
import { ShapeSettings } from "./ShapeSettings";
import { ShapeWork } from "./ShapeWork";

export function DrawingCard({ className }: { className: string }) {
  const workbench = useWorkbench();
  const artwork = useBench((state) => state.drawn?.artwork ?? null);
  const chosen = useBench((state) => state.chosen);
  if (!artwork) return null;
  const one = chosen.length === 1 ? artwork.shapes[chosen[0]!] : undefined;
  return (
    <aside
      aria-label="Drawing settings"
      className={`min-h-0 overflow-y-auto border-l border-base-300 bg-base-200 p-3 ${className}`}
    >
      <div className="rounded-box border border-base-300 bg-base-100 px-3.5 pt-2 pb-3">
        <div className="flex items-baseline justify-between">
          <h2 className="font-bold">Shapes</h2>
          <span className="measure muted">topmost first</span>
        </div>
        <ShapeList />
        {one && <ShapeSettings key={chosen[0]} shape={one} index={chosen[0]!} artwork={artwork} />}
        {chosen.length > 0 && <ShapeWork artwork={artwork} chosen={chosen} />}
        <Heading>Add</Heading>
        <NewByNumber artwork={artwork} />
        <button
          className="mt-3 w-full cursor-pointer rounded-field bg-primary px-3 py-1 font-semibold text-primary-content hover:brightness-105"
          onClick={() => workbench.draw(null)}
        >
          Done drawing
        </button>
      </div>
    </aside>
  );
}

function ShapeList() {
  const artwork = useBench((state) => state.drawn!.artwork!);
  const chosen = useBench((state) => state.chosen);
  const press = (index: number, more: boolean) => {
    const now = bench().chosen;
    const rest = now.filter((i) => i !== index);
    bench().set({ chosen: more ? (rest.length < now.length ? rest : [...now, index]) : [index] });
  };
  return (
    <ol
      aria-label="Shapes, topmost first"
      className="mt-1 max-h-[150px] overflow-y-auto rounded-field border border-(--edge)"
    >
      {artwork.shapes
        .map((shape, index) => (
          <li key={index}>
            <button
              aria-pressed={chosen.includes(index)}
              className={`flex min-h-6 w-full cursor-pointer items-center gap-2 px-1.5 py-0.5 text-left hover:bg-base-200 ${chosen.includes(index) ? "bg-base-200 font-semibold" : ""}`}
              title="With Shift it is chosen besides the others"
              onClick={(event) => press(index, event.shiftKey || event.ctrlKey || event.metaKey)}
            >
              <Swatch shape={shape} />
              <span>Shape {index + 1}</span>
              <span className="measure muted ml-auto">
                {round(Number(shape.length.toFixed(2)))} × {round(Number(shape.width.toFixed(2)))}
              </span>
            </button>
          </li>
        ))
        .toReversed()}
    </ol>
  );
}

function Swatch({ shape }: { shape: { shown: Pick<ShapeShown, "fill" | "stroke"> } }) {
  const fill = colourOf(shape.shown.fill);
  const line = colourOf(shape.shown.stroke?.paint ?? null);
  return (
    <span
      aria-hidden
      className="own-colour size-3.5 shrink-0 rounded-full border-2"
      style={{ background: fill ?? "transparent", borderColor: line ?? "var(--color-base-300)" }}
    />
  );
}

type Paint = ShapeShown["fill"];

function colourOf(paint: Paint): string | null {
  if (!paint) return null;
  if (paint.type === "solid") return paint.colour;
  if (paint.type === "tiling") return paint.mean;
  return `linear-gradient(90deg, ${paint.stops.map((stop) => stop.colour).join(", ")})`;
}
