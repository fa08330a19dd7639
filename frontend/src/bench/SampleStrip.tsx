/** The brush's pieces where they stand on one sample path: pressed, a piece is worked on. */
import { useMemo } from "react";

import { Panel } from "@/shared/ui/Panel";
import { stop } from "@/shared/ui/stops";
import type { BenchFrame, Edit, PlaceShown } from "@/shared/api/types";

import { bench, useBench, useWorkbench } from "./bench";
import { fitted, Painted } from "@/shared/draw/Painted";
import { useSize } from "./useSize";

/** What is left free above and below the sample, px. */
const ROOM = 12;

/** On which side of its place a label has room. */
const SIDES: Record<string, { x: number; y: number }> = {
  start: { x: 0, y: 1 },
  repeat: { x: 0, y: -0.9 },
  corner_outside: { x: 1, y: -0.4 },
  corner_inside: { x: -1, y: 0.4 },
  end: { x: 0, y: -1 },
  join: { x: 3.2, y: 0.6 },
};

export const PLACE_WORDS: Record<string, string> = {
  start: "start",
  repeat: "repeat",
  corner_outside: "corner, to the right",
  corner_inside: "corner, to the left",
  end: "end",
  join: "join",
};

export function SampleStrip({ drawn }: { drawn: BenchFrame }) {
  const [box, { width, height }] = useSize<HTMLDivElement>();
  const { sample } = drawn;
  const at = useMemo(() => fitted(sample.box, width, height - 2 * ROOM, 24), [sample, width, height]);
  return (
    <Panel across label="Pieces in place" className="shrink-0 px-3.5 pt-2 pb-3">
      <div
        ref={box}
        className="relative h-[clamp(112px,15vh,230px)] overflow-hidden rounded-box border border-base-300 bg-(--cloth)"
      >
        {width > 0 && (
          <>
            <div className="absolute inset-x-0 top-3">
              <Painted groups={sample.groups} width={width} height={height - 2 * ROOM} at={at} />
            </div>
            {sample.places.map((place) => (
              <PlaceButton key={place.name} place={place} at={{ ...at, y: at.y + ROOM }} />
            ))}
          </>
        )}
      </div>
    </Panel>
  );
}

function PlaceButton({ place, at }: { place: PlaceShown; at: { zoom: number; x: number; y: number } }) {
  const chosen = useBench((state) =>
    place.name === "repeat" ? state.whose === "course" : state.whose === "piece" && state.place === place.name,
  );
  const rx = Math.max(at.zoom * place.rx, 12);
  const ry = Math.max(at.zoom * place.ry, 12);
  const x = at.x + at.zoom * place.x;
  const y = at.y + at.zoom * place.y;
  const words = PLACE_WORDS[place.name] ?? place.name;
  const text = `${words}: ${place.length === null ? "none" : `${Number(place.length.toFixed(2))} mm`}`;
  const pick = () => bench().set(place.name === "repeat" ? { whose: "course" } : { whose: "piece", place: place.name });
  const workbench = useWorkbench();
  const course = useBench((state) => state.course);
  const there = place.name !== "repeat" && place.length !== null;
  const remove = () => void workbench.make({ kind: "set-piece", course, place: place.name, family: null } as Edit);
  const beside = SIDES[place.name] ?? { x: 0, y: 1 };
  return (
    <>
      <span
        aria-hidden
        className="pointer-events-none absolute text-white text-[12px] leading-[14px] whitespace-nowrap"
        style={{
          left: x + beside.x * (rx + 5),
          top: y + beside.y * (ry + 9) - 7,
          transform: `translateX(${beside.x === 0 ? "-50%" : beside.x < 0 ? "-100%" : "0"})`,
        }}
      >
        {text}
      </span>
      <button
        {...stop}
        className={`absolute cursor-pointer rounded-field border-2 ${chosen ? "border-white" : "border-transparent hover:border-white/50"}`}
        style={{ left: x - rx, top: y - ry, width: 2 * rx, height: 2 * ry }}
        title={text}
        aria-label={text}
        aria-pressed={chosen}
        data-testid={`place-${place.name}`}
        aria-keyshortcuts={there ? "Delete" : undefined}
        onClick={pick}
        onKeyDown={(event) => {
          if (there && (event.key === "Delete" || event.key === "Backspace")) remove();
        }}
      />
      {there && chosen && (
        <button
          {...stop}
          className="absolute size-6 -translate-x-1/2 -translate-y-1/2 cursor-pointer rounded-full border border-white bg-neutral text-[13px] leading-none text-white"
          style={{ left: x - rx - 14, top: Math.max(y - ry, 13) }}
          title={`Remove the ${words} (Delete)`}
          aria-label={`Remove the ${words}`}
          onClick={remove}
        >
          ✕
        </button>
      )}
    </>
  );
}
