/** The picture as it is exported: whole, or pixel for pixel, panned by hand and by the arrow keys. */
import { useDrag } from "@use-gesture/react";
import { useEffect, useLayoutEffect, useRef, useState } from "react";

import { type OutputId } from "@/shared/api/client";
import { fileAt } from "@/shared/api/request";
import { Newest } from "@/shared/newest";
import { Choice } from "@/shared/ui/Choice";
import { useFrame, useSheetSession } from "@/table/sheet";
import { ARROWS } from "@/table/tools/arrows";

import { addressOf, hasPixels, type Made, type Meant } from "./asked";
import { plain } from "./Fields";
import { Papers } from "./Papers";
import type { ExportFound } from "./useFacts";

/** Of the whole; the file's own resolution is asked for. */
const WHOLE_PPI = "96";
/** What is seen of the file's own pixels at once. */
export const WIDE = 544;
export const HIGH = 500;
const STEP = 40;
const VIEWS = [
  ["whole", "Whole"],
  ["pixels", "Pixel for pixel"],
] as const;
export type View = (typeof VIEWS)[number][0];
/** What a picture without a background is looked at on. */
const GROUNDS = [
  ["sheet", "Sheet"],
  ["white", "White"],
  ["dark", "Dark"],
  ["squares", "Squares"],
] as const;
type Ground = (typeof GROUNDS)[number][0];
const GROUND: Record<Ground, string> = {
  sheet: "bg-[#f7f4eb]",
  white: "bg-white",
  dark: "bg-[#2a2f3a]",
  squares: "bg-[repeating-conic-gradient(#fff_0_25%,#d4d4d4_0_50%)] bg-size-[16px_16px]",
};

/** Pixels of the file. */
export interface Corner {
  x: number;
  y: number;
}

interface Props {
  as: OutputId;
  meant: Meant;
  made: Made;
  found: ExportFound | undefined;
  view: View;
  corner: Corner;
  onView: (view: View) => void;
  onCorner: (corner: Corner) => void;
}

export function Preview(props: Props) {
  const { as, made, view, onView } = props;
  const [ground, setGround] = useState<Ground | null>(null);
  const shown = hasPixels(as) ? view : "whole";
  const clear = !made.background && as !== "jpg";
  // Until one is picked: white thread is not seen on paper.
  const on = clear ? (ground ?? (made.colours !== "drawn" ? "dark" : "sheet")) : null;
  return (
    <>
      <div className="mb-2 flex w-full flex-wrap items-center justify-between gap-2">
        {hasPixels(as) ? <Choice label="View" options={VIEWS} value={shown} onChange={onView} /> : <span />}
        {clear && (
          <span className="flex items-center gap-2 text-[12px]">
            Looked at on
            <Choice label="Looked at on" options={GROUNDS} value={on!} onChange={setGround} />
          </span>
        )}
      </div>
      {shown === "whole" ? <Whole {...props} on={on} /> : <Pixels {...props} on={on} />}
    </>
  );
}

type On = { on: Ground | null };
const groundOf = (on: Ground | null) => (on ? GROUND[on] : "");

function Whole({ as, meant, made, found, on }: Props & On) {
  const session = useSheetSession();
  const { revision, sheet } = useFrame("revision", "sheet");
  const background = on === "sheet" ? "sheet" : made.background || (as === "jpg" ? "#ffffff" : "");
  const asked = { ...meant, ...plain(made), each: "sheet", also: "", ppi: WHOLE_PPI, background, revision };
  const address = useNewest(addressOf(session.id, "export.png", asked));
  const picture = (
    <img
      src={address ?? undefined}
      alt={`${sheet.name} as it is exported`}
      className={`max-h-[500px] max-w-full object-contain ${groundOf(on)}`}
    />
  );
  return (
    <div className="grid w-full flex-1 place-items-center">
      {!address ? <Waiting /> : found?.papers.length ? <Papers found={found}>{picture}</Papers> : picture}
    </div>
  );
}

function Pixels({ as, meant, made, found, corner, onCorner, on }: Props & On) {
  const session = useSheetSession();
  const { revision } = useFrame("revision");
  const most = { x: Math.max(0, (found?.width_px ?? 0) - WIDE), y: Math.max(0, (found?.height_px ?? 0) - HIGH) };
  const kept = { x: within(corner.x, most.x), y: within(corner.y, most.y) };
  const part = { left: kept.x, top: kept.y, across: WIDE, down: HIGH };
  const asked = { ...meant, ...plain(made), form: as, ...part, revision };
  const address = useNewest(addressOf(session.id, "pixels.png", asked));
  const bind = useDrag(
    ({ delta: [x, y] }) => onCorner({ x: within(kept.x - x, most.x), y: within(kept.y - y, most.y) }),
    { pointer: { keys: false } },
  );
  const frame = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => toWholePixels(frame.current!));
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- It is panned by hand and by the arrow keys.
    <div
      {...bind()}
      ref={frame}
      role="application"
      aria-label="Pixels of the file: drag, or use the arrow keys"
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- It is panned by the arrow keys.
      tabIndex={0}
      data-testid="pixels"
      className={`relative cursor-grab touch-none overflow-hidden ${groundOf(on)}`}
      style={{ width: WIDE, height: HIGH }}
      onKeyDown={(event) => {
        const arrow = ARROWS[event.key];
        if (!arrow) return;
        event.preventDefault();
        const step = event.shiftKey ? 5 * STEP : STEP;
        onCorner({ x: within(kept.x + step * arrow[0], most.x), y: within(kept.y + step * arrow[1], most.y) });
      }}
    >
      {!address && <Waiting />}
      {address && (
        <img
          src={address}
          alt="A part of the file, pixel for pixel"
          draggable={false}
          className="pointer-events-none max-w-none [image-rendering:pixelated]"
          // One pixel of the file is one of the screen's.
          style={{ zoom: 1 / window.devicePixelRatio }}
        />
      )}
    </div>
  );
}

/** Move something to where its edges are the screen's own: between its pixels a picture is blurred. */
function toWholePixels(element: HTMLElement) {
  element.style.left = element.style.top = "0";
  const { left, top } = element.getBoundingClientRect();
  const off = (at: number) => Math.round(at * window.devicePixelRatio) / window.devicePixelRatio - at;
  element.style.left = `${off(left)}px`;
  element.style.top = `${off(top)}px`;
}

function Waiting() {
  return (
    <p role="status" className="muted p-4 text-[12px]">
      Drawing it …
    </p>
  );
}

const within = (value: number, most: number) => Math.round(Math.min(Math.max(value, 0), most));

/** A picture at an address, fetched one at a time: while one is made, only the newest waits. */
function useNewest(address: string): string | null {
  const [shown, setShown] = useState<string | null>(null);
  const newest = useRef<Newest>(null);
  newest.current ??= new Newest();
  useEffect(() => {
    newest.current!.ask(async (signal) => {
      const picture = await (await fileAt(address, null, signal)).blob();
      if (!signal.aborted) setShown(URL.createObjectURL(picture));
    });
  }, [address]);
  useEffect(() => () => newest.current?.drop(), []);
  useEffect(() => () => void (shown && URL.revokeObjectURL(shown)), [shown]);
  return shown;
}
