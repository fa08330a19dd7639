/** The line as the pointer draws it, and the Sketch tool's card. */
import { NumberLine } from "@/shared/ui/NumberLine";

import { tableState, useTableState } from "../../state";
import { toScreen, type View } from "../../view";

export function SketchLine({ view }: { view: View }) {
  const { stroke, pointer } = useTableState();
  const spots = stroke.map(([x, y]) => toScreen(view, { x, y }));
  const here = pointer && toScreen(view, pointer);
  return (
    <g fill="none" stroke="var(--mark)" data-testid="sketch">
      {spots.length > 1 && (
        <polyline points={spots.map(({ x, y }) => `${x},${y}`).join(" ")} strokeWidth={2} strokeLinejoin="round" />
      )}
      {here && <circle cx={here.x} cy={here.y} r={3} fill={stroke.length ? "var(--mark)" : "var(--halo)"} />}
    </g>
  );
}

export function SketchCard() {
  const { steadiness, within } = useTableState();
  const keep = (name: "steadiness" | "within") => (text: string) => {
    tableState().set({ [name]: text });
    return Promise.resolve(null);
  };
  return (
    <>
      <h2 className="text-[18px] font-bold">Sketch a path</h2>
      <p className="muted mt-1">
        Draw on the sheet by mouse or pen; what a pen presses becomes the swell of a brush laid there. End where you
        began to close it. By keys: Space puts the pen down, arrows draw, Enter ends.
      </p>
      <NumberLine label="Steadiness" value={steadiness} step={0.5} onCommit={keep("steadiness")} />
      <p className="muted text-[12px]">Shakes shorter than this are evened out.</p>
      <NumberLine label="Within" value={within} step={0.5} onCommit={keep("within")} />
      <p className="muted text-[12px]">How far the path may lie from the line: more means fewer nodes.</p>
    </>
  );
}
