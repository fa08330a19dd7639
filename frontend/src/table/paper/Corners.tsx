/** The chosen path's corners with their turns, and its start with its direction. */
import type { CornerShown, PathShown } from "@/shared/api/types";
import { MANNER_WORDS } from "@/shared/ui/trade";
import { degrees } from "@/shared/ui/words";

import { toScreen, type View } from "../view";

export function ChosenCorners({ view, corners }: { view: View; corners: CornerShown[] }) {
  return (
    <g pointerEvents="none" data-testid="corners">
      {corners.map((corner) => {
        const at = toScreen(view, corner);
        const manner = MANNER_WORDS[corner.manner];
        return (
          <g key={corner.node} transform={`translate(${at.x} ${at.y})`}>
            <path d="M0 9l-4 8h8z" fill="var(--mark)" />
            <Label x={9} y={22} text={`turns ${degrees(corner.turn)}${manner ? `, ${manner.toLowerCase()}` : ""}`} />
          </g>
        );
      })}
    </g>
  );
}

export function ChosenStart({ view, path, backwards }: { view: View; path: PathShown; backwards: boolean }) {
  const { x, y, angle } = path.start;
  const at = toScreen(view, { x, y });
  return (
    <g transform={`translate(${at.x} ${at.y})`} pointerEvents="none" data-testid="start">
      <path
        d="M11 0m0-5l9 5l-9 5z"
        fill="var(--mark)"
        transform={`rotate(${angle})${backwards ? " translate(31) rotate(180)" : ""}`}
      />
      <Label x={10} y={-10} text={backwards ? "end" : "start"} />
    </g>
  );
}

function Label({ x, y, text }: { x: number; y: number; text: string }) {
  return (
    <text
      x={x}
      y={y}
      className="measure"
      fill="var(--mark)"
      stroke="var(--paper)"
      strokeWidth={3}
      paintOrder="stroke"
    >
      {text}
    </text>
  );
}
