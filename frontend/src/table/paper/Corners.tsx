/** The chosen run's corners and crossings, to be picked, and its start point, to be slid. */
import { useState } from "react";

import type { CornerShown, CrossingShown, PathShown, RunShown } from "@/shared/api/types";
import { MANNER_WORDS } from "@/shared/ui/trade";
import { capital, degrees } from "@/shared/ui/words";

import { useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { type Spot, toScreen, type View } from "../view";
import { useSheetDrag } from "./Nodes";
import { haveRoom } from "./room";
import { RULER } from "./Rulers";

/** Something to press: by the pointer, Enter or Space. Reached from the sheet by a key, not by Tab. */
function pressed(press: () => void) {
  return {
    role: "button",
    tabIndex: -1,
    style: { cursor: "pointer" },
    onPointerDown: (event: React.PointerEvent) => {
      event.stopPropagation();
      press();
    },
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key !== "Enter" && event.key !== " ") return;
      event.preventDefault();
      event.stopPropagation();
      press();
    },
  } as const;
}

interface CornersProps {
  view: View;
  corners: CornerShown[];
  path: PathShown;
  /** Whether there is a run whose corners can be picked. */
  live: boolean;
}

/** A label is shown for what is pointed at, has the focus, or is chosen. */
function usePointed() {
  const [pointed, setPointed] = useState(false);
  return [
    pointed,
    {
      onPointerEnter: () => setPointed(true),
      onPointerLeave: () => setPointed(false),
      onFocus: () => setPointed(true),
      onBlur: () => setPointed(false),
    },
  ] as const;
}

/** Marks nearer together than this are not told apart, px. */
const APART = 16;

export function ChosenCorners({ view, corners, path, live }: CornersProps) {
  const chosen = useTableState((state) => (state.place?.kind === "corner" ? state.place.key : null));
  const room = haveRoom(
    corners.map((corner) => toScreen(view, corner)),
    APART,
  );
  return (
    <g data-testid="corners">
      {corners.map(
        (corner, index) =>
          (room[index] || corner.node === chosen) && (
            <CornerMark
              key={corner.node}
              view={view}
              corner={corner}
              place={`corner ${index + 1} of ${corners.length}`}
              out={outward(path, corner.node)}
              live={live}
            />
          ),
      )}
    </g>
  );
}

/** The way out of a corner, away from both its legs. */
function outward(path: PathShown, node: string): Spot {
  const { nodes, closed } = path;
  const i = nodes.findIndex((item) => item.id === node);
  const [at, before, after] = [
    nodes[i],
    nodes[i - 1] ?? (closed && nodes.at(-1)),
    nodes[i + 1] ?? (closed && nodes[0]),
  ];
  if (!at || !before || !after) return { x: 0, y: 1 };
  const unit = (x: number, y: number) => ({ x: x / (Math.hypot(x, y) || 1), y: y / (Math.hypot(x, y) || 1) });
  const [ix, iy] = at.into ?? before.out ?? [before.x, before.y];
  const [ox, oy] = at.out ?? after.into ?? [after.x, after.y];
  const [a, b] = [unit(at.x - ix, at.y - iy), unit(at.x - ox, at.y - oy)];
  return Math.hypot(a.x + b.x, a.y + b.y) < 1e-6 ? { x: 0, y: 1 } : unit(a.x + b.x, a.y + b.y);
}

interface CornerMarkProps {
  view: View;
  corner: CornerShown;
  /** Which of how many it is. */
  place: string;
  out: Spot;
  live: boolean;
}

function CornerMark({ view, corner, place, out, live }: CornerMarkProps) {
  const chosen = useTableState((state) => state.place?.kind === "corner" && state.place.key === corner.node);
  const [pointed, pointing] = usePointed();
  const at = toScreen(view, corner);
  const manner = MANNER_WORDS[corner.manner]?.toLowerCase();
  const text = `turns ${degrees(corner.turn)}${manner ? `, ${manner}` : ""}`;
  const props = live
    ? {
        ...pressed(() => tableState().set({ place: { kind: "corner", key: corner.node } })),
        "data-mark": "corner",
        "aria-label": `${capital(place)}, ${text}`,
        "aria-pressed": chosen,
        ...pointing,
      }
    : { pointerEvents: "none" };
  const turn = (Math.atan2(out.y, out.x) * 180) / Math.PI;
  return (
    <g
      transform={`translate(${at.x} ${at.y})`}
      data-testid={`corner-${corner.node}`}
      data-words={corner.own ? `${text} •` : text}
      {...props}
    >
      <g transform={`rotate(${turn})`}>
        <path d="M9 -11v22h22v-22z" fill="transparent" />
        <path d="M9 0l9 -5v10z" fill="var(--mark)" stroke="var(--halo)" strokeWidth={0.8} />
      </g>
      {chosen && <circle r={12} fill="none" stroke="var(--mark)" strokeWidth={1.6} />}
      {(pointed || chosen) && <Label at={at} out={out} text={corner.own ? `${text} •` : text} />}
    </g>
  );
}

/** One press of its mark flips a crossing. */
export function ChosenCrossings({ view, run }: { view: View; run: RunShown }) {
  return (
    <g data-testid="crossings">
      {(run.crossings ?? []).map((crossing, index) => (
        <CrossingMark
          key={crossing.key}
          view={view}
          run={run.id}
          crossing={crossing}
          place={`crossing ${index + 1} of ${run.crossings!.length}`}
        />
      ))}
    </g>
  );
}

interface CrossingMarkProps {
  view: View;
  run: string;
  crossing: CrossingShown;
  place: string;
}

function CrossingMark({ view, run, crossing, place }: CrossingMarkProps) {
  const session = useSheetSession();
  const [pointed, pointing] = usePointed();
  const at = toScreen(view, crossing);
  const text = `${capital(place)}: press to flip over and under`;
  return (
    <g
      transform={`translate(${at.x} ${at.y})`}
      aria-label={text}
      data-mark="corner"
      data-testid="crossing"
      {...pressed(() => void session.command({ kind: "flip-crossing", run, key: crossing.key }))}
      {...pointing}
    >
      <rect x={-12} y={-12} width={24} height={24} fill="transparent" />
      <rect
        x={-8}
        y={-8}
        width={16}
        height={16}
        rx={3}
        transform="rotate(45)"
        fill="none"
        stroke="var(--mark)"
        strokeWidth={pointed ? 2.4 : 1.2}
      />
      {pointed && <Label at={at} out={{ x: 0, y: -1 }} text={text} />}
    </g>
  );
}

/** Both ends of an open run: pressed, the Ticket shows what is done at ends. */
export function ChosenEnds({ view, run }: { view: View; run: RunShown }) {
  const chosen = useTableState((state) => (state.place?.kind === "end" ? state.place.key : null));
  if (!run.finish || !run.start) return null;
  const ends = [
    { key: "start", name: "Start of the run", spot: run.start },
    { key: "end", name: "End of the run", spot: run.finish },
  ];
  return (
    <g>
      {ends.map(({ key, name, spot }) => {
        const at = toScreen(view, spot);
        return (
          <g
            key={key}
            transform={`translate(${at.x} ${at.y}) rotate(${spot.angle})`}
            aria-label={name}
            aria-pressed={chosen === key}
            data-testid={`run-${key}`}
            {...pressed(() => tableState().set({ place: { kind: "end", key } }))}
          >
            <rect x={key === "start" ? -34 : 10} y={-12} width={24} height={24} fill="transparent" />
            <path
              d={key === "start" ? "M-12 -8v16M-12 -8h-5M-12 8h-5" : "M12 -8v16M12 -8h5M12 8h5"}
              fill="none"
              stroke="var(--mark)"
              strokeWidth={chosen === key ? 3 : 1.6}
            />
          </g>
        );
      })}
    </g>
  );
}

interface StartProps {
  view: View;
  path: PathShown;
  run: RunShown | null;
}

export function ChosenStart({ view, path, run }: StartProps) {
  const slides = path.closed && run !== null;
  const [pointed, pointing] = usePointed();
  const { x, y, angle } = run?.start ?? path.start;
  const bind = useSheetDrag({ x, y }, (to) => ({ kind: "slide-start", run: run?.id ?? "", near: [to.x, to.y] }));
  const at = toScreen(view, { x, y });
  return (
    <g
      transform={`translate(${at.x} ${at.y})`}
      data-testid="start"
      {...(slides
        ? {
            ...bind(),
            ...pointing,
            style: { cursor: "grab" },
            role: "img",
            "aria-label": "Start point: drag to slide it; its field is on the Ticket",
          }
        : { pointerEvents: "none" })}
    >
      <g transform={`rotate(${angle})`}>
        {slides && <rect x={4} y={-11} width={26} height={22} fill="transparent" />}
        <path d="M11 -5.5l11 5.5l-11 5.5z" fill="var(--mark)" stroke="var(--halo)" />
      </g>
      {slides && pointed && <Label at={at} out={{ x: 0, y: -1 }} text="start: drag to slide it" />}
    </g>
  );
}

/** How wide a character of a label is, px. */
const CHARACTER = 7.3;

/** Words beside a mark, on the way out from it, on a plate of paper, and within the window. */
function Label({ at, out, text }: { at: Spot; out: Spot; text: string }) {
  const { width, height } = useTableState((state) => state.window);
  const wide = text.length * CHARACTER + 10;
  const within = (low: number, value: number, high: number) => Math.min(Math.max(value, low), high);
  const x = within(RULER + 4, at.x + out.x * 26 + (out.x < 0 ? -wide : out.x > 0.3 ? 0 : -wide / 2), width - wide - 4);
  const y = within(RULER + 4, at.y + out.y * 30 - 9, height - 22);
  return (
    <g transform={`translate(${x - at.x} ${y - at.y})`} pointerEvents="none" data-testid="mark-label">
      <rect width={wide} height={18} rx={3} fill="var(--paper)" fillOpacity={0.92} />
      <text x={5} y={13} className="measure" fill="var(--mark)">
        {text}
      </text>
    </g>
  );
}
