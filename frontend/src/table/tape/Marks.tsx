/** Marks on the Tape: corners as folds, crossings, tight places and ends. */
import type { CornerShown, CrossingShown, LegShown, PinchShown, OneRepeatShown } from "@/shared/api/types";
import { pressed } from "@/shared/ui/press";
import { MANNER_WORDS } from "@/shared/ui/trade";
import { useLength } from "@/shared/ui/unit";
import { degrees } from "@/shared/ui/words";

import { repeatKey } from "../repeats";
import { useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { CLOTH, FOOT, MIDDLE, STRIP, TOP } from "./measures";

export function PinchMark({ pinch, x, perMm }: { pinch: PinchShown; x: number; perMm: number }) {
  const { text } = useLength();
  const width = Math.max(3, (pinch.end - pinch.start) * perMm);
  return (
    <g data-testid="pinch">
      <title>{`radius ${text(pinch.radius)}, needs ${text(pinch.needs)}`}</title>
      <path d={`M${x} ${TOP + 4}h${width}`} stroke="var(--color-error)" strokeWidth={4} />
    </g>
  );
}

export function CrossingMark({
  run,
  crossing,
  at,
  x,
}: {
  run: string;
  crossing: CrossingShown;
  at: number;
  x: number;
}) {
  const session = useSheetSession();
  const over = Math.abs(at - crossing.over) < 1e-6;
  const y = over ? MIDDLE - 15 : MIDDLE + 15;
  return (
    <g
      {...pressed(() => void session.command({ kind: "flip-crossing", run, key: crossing.key }))}
      aria-label={`Crossing at ${degrees(crossing.angle)}, ${over ? "over" : "under"} here`}
      style={{ cursor: "pointer" }}
    >
      <rect x={x - 8} y={y - 8} width={16} height={16} fill="transparent" />
      <path
        d={`M${x} ${y - 5}l5 5l-5 5l-5 -5z`}
        fill={over ? "var(--color-base-content)" : "var(--color-base-100)"}
        stroke="var(--color-base-content)"
      />
    </g>
  );
}

/** An open run's end on the Tape, to be picked. */
export function EndMark({ end, x }: { end: "start" | "end"; x: number }) {
  const chosen = useTableState((state) => state.place?.kind === "end" && state.place.key === end);
  const pick = () => tableState().set({ place: { kind: "end", key: end } });
  const out = end === "start" ? -6 : 6;
  return (
    <g
      {...pressed(pick)}
      aria-label={end === "start" ? "Start of the run, on the Tape" : "End of the run, on the Tape"}
      aria-pressed={chosen}
      data-testid={`tape-${end}`}
      style={{ cursor: "pointer" }}
    >
      <rect x={x - 12} y={FOOT - 14} width={24} height={24} fill="transparent" />
      <path
        d={`M${x} ${FOOT - 2}v-12h${out}`}
        fill="none"
        stroke="var(--color-base-content)"
        strokeWidth={chosen ? 3.4 : 2}
      />
    </g>
  );
}

/** A repeat that is set by hand, to be chosen; one that is left out is crossed out. */
export function RepeatMark({ repeat, x }: { repeat: OneRepeatShown; x: number }) {
  const key = repeatKey(repeat);
  const chosen = useTableState((state) => state.place?.kind === "repeat" && state.place.key === key);
  const pick = () => tableState().set({ place: { kind: "repeat", key } });
  const r = 4.5;
  return (
    <g
      {...pressed(pick)}
      aria-label={`Number ${repeat.number + 1} of its leg, ${repeat.left_out ? "left out" : "set by hand"}`}
      aria-pressed={chosen}
      data-testid="tape-repeat"
      style={{ cursor: "pointer" }}
    >
      <rect x={x - 12} y={MIDDLE + CLOTH - 12} width={24} height={24} fill="transparent" />
      <circle
        cx={x}
        cy={MIDDLE + CLOTH}
        r={r}
        fill={chosen ? "var(--color-accent)" : "var(--color-base-100)"}
        stroke="var(--color-base-content)"
        strokeWidth={1.6}
      />
      {repeat.left_out && (
        <path
          d={`M${x - r} ${MIDDLE + CLOTH - r}l${2 * r} ${2 * r}m0 ${-2 * r}l${-2 * r} ${2 * r}`}
          stroke="var(--color-base-content)"
          strokeWidth={1.6}
        />
      )}
    </g>
  );
}

interface FoldProps {
  corner: CornerShown;
  x: number;
  legs: LegShown[];
  perMm: number;
}

export function Fold({ corner, x, legs, perMm }: FoldProps) {
  const chosen = useTableState((state) => state.place?.kind === "corner" && state.place.key === corner.node);
  const after = legs.find((leg) => leg.node === corner.node);
  const roomy = !after || after.length.garment * perMm > 46;
  const pick = () => tableState().set({ place: { kind: "corner", key: corner.node } });
  const manner = (MANNER_WORDS[corner.manner] ?? "").toLowerCase();
  return (
    <g
      data-testid="fold"
      {...pressed(pick)}
      aria-label={`Fold: turns ${degrees(corner.turn)}, ${manner}`}
      aria-pressed={chosen}
      style={{ cursor: "pointer" }}
    >
      <title>{`turns ${degrees(corner.turn)}, ${manner}`}</title>
      <rect
        x={x - 9}
        y={TOP}
        width={18}
        height={STRIP}
        fill={chosen ? "var(--color-accent)" : "transparent"}
        opacity={0.35}
      />
      <path d={`M${x - 6} ${TOP}l6 7l6 -7zM${x - 6} ${FOOT}l6 -7l6 7z`} fill="var(--color-base-content)" />
      <path d={`M${x} ${TOP + 7}V${FOOT - 7}`} stroke="var(--color-base-100)" strokeDasharray="2 2" />
      {roomy && (
        <text x={x + 6} y={MIDDLE + CLOTH - 4} className="measure" fill="#fff">
          {degrees(corner.turn)}
        </text>
      )}
    </g>
  );
}
