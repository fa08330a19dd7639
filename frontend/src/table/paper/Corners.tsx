/** The chosen run's corners and crossings, to be picked, and its start point, to be slid. */
import type { CornerShown, PathShown, RunShown } from "@/shared/api/types";
import { MANNER_WORDS } from "@/shared/ui/trade";
import { degrees } from "@/shared/ui/words";

import { tableState, type Place, useTableState } from "../state";
import { type Spot, toScreen, type View } from "../view";
import { useSheetDrag } from "./Nodes";

/** Something to press: by the pointer, Enter or Space. */
function pressed(place: Place) {
  const pick = () => tableState().set({ place });
  return {
    role: "button",
    tabIndex: 0,
    style: { cursor: "pointer" },
    onPointerDown: (event: React.PointerEvent) => {
      event.stopPropagation();
      pick();
    },
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key !== "Enter" && event.key !== " ") return;
      event.preventDefault();
      event.stopPropagation();
      pick();
    },
  } as const;
}

interface CornersProps {
  view: View;
  corners: CornerShown[];
  /** Whether there is a run whose corners can be picked. */
  live: boolean;
}

/** Which marks have room for their words, each keeping clear of those before it. */
function roomFor(spots: Spot[]): boolean[] {
  const taken: Spot[] = [];
  return spots.map((spot) => {
    const free = taken.every((other) => Math.abs(other.x - spot.x) > 140 || Math.abs(other.y - spot.y) > 16);
    if (free) taken.push(spot);
    return free;
  });
}

export function ChosenCorners({ view, corners, live }: CornersProps) {
  const chosen = useTableState((state) => (state.place?.kind === "corner" ? state.place.key : null));
  const labelled = roomFor(corners.map((corner) => toScreen(view, corner)));
  return (
    <g data-testid="corners">
      {corners.map((corner, index) => {
        const at = toScreen(view, corner);
        const manner = MANNER_WORDS[corner.manner]?.toLowerCase();
        const text = `turns ${degrees(corner.turn)}${manner ? `, ${manner}` : ""}`;
        const props = live
          ? {
              ...pressed({ kind: "corner", key: corner.node }),
              "aria-label": `Corner: ${text}`,
              "aria-pressed": chosen === corner.node,
            }
          : { pointerEvents: "none" };
        return (
          <g
            key={corner.node}
            transform={`translate(${at.x} ${at.y})`}
            data-testid={`corner-${corner.node}`}
            {...props}
          >
            <path d="M-10 9h20v22h-20z" fill="transparent" />
            <path d="M0 9l-5 9h10z" fill="var(--mark)" />
            {chosen === corner.node && <circle r={12} fill="none" stroke="var(--mark)" strokeWidth={1.6} />}
            {(labelled[index] || chosen === corner.node) && (
              <Label x={9} y={22} text={corner.own ? `${text} •` : text} />
            )}
          </g>
        );
      })}
    </g>
  );
}

export function ChosenCrossings({ view, run }: { view: View; run: RunShown }) {
  const chosen = useTableState((state) => (state.place?.kind === "crossing" ? state.place.key : null));
  return (
    <g data-testid="crossings">
      {(run.crossings ?? []).map((crossing) => {
        const at = toScreen(view, crossing);
        return (
          <g
            key={crossing.key}
            transform={`translate(${at.x} ${at.y})`}
            aria-label={`Crossing at ${degrees(crossing.angle)}`}
            aria-pressed={chosen === crossing.key}
            data-testid="crossing"
            {...pressed({ kind: "crossing", key: crossing.key })}
          >
            <rect x={-11} y={-11} width={22} height={22} fill="transparent" />
            <rect
              x={-8}
              y={-8}
              width={16}
              height={16}
              rx={3}
              transform="rotate(45)"
              fill="none"
              stroke="var(--mark)"
              strokeWidth={chosen === crossing.key ? 2.4 : 1.2}
            />
          </g>
        );
      })}
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
            {...pressed({ kind: "end", key })}
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
      <Label x={10} y={-10} text="start" />
    </g>
  );
}

function Label({ x, y, text }: { x: number; y: number; text: string }) {
  return (
    <text x={x} y={y} className="measure" fill="var(--mark)" stroke="var(--paper)" strokeWidth={3} paintOrder="stroke">
      {text}
    </text>
  );
}
