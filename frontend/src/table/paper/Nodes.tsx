/** Nodes and handles of the chosen path, to be dragged or moved by the arrow keys. */
import { useDrag } from "@use-gesture/react";
import { useState } from "react";

import type { Intent, NodeDoc, PathShown } from "@/shared/api/types";

import { useSheetSession, useFrame } from "../sheet";
import { tableState, useTableState } from "../state";
import { ARROWS, nudge } from "../tools/arrows";
import { type Spot, toScreen, type View } from "../view";
import { follows } from "./follows";
import { haveRoom } from "./room";
import { landing } from "./snap";

type Side = "into" | "out";

/** Drag something on the sheet: a preview while it moves, one step when it is let go. */
export function useSheetDrag(
  start: Spot,
  intent: (to: Spot, event: PointerEvent, from: Spot) => Intent,
  onTap?: (event: PointerEvent) => void,
) {
  const session = useSheetSession();
  const bind = useDrag(
    ({ event, movement: [mx, my], first, last, tap, memo, canceled }) => {
      if (tap) {
        onTap?.(event as PointerEvent);
        return memo;
      }
      const from: Spot = first ? start : memo;
      const zoom = tableState().view!.zoom;
      const made = intent({ x: from.x + mx / zoom, y: from.y + my / zoom }, event as PointerEvent, from);
      if (canceled) session.dropPreviews(true);
      else if (last) void session.command(made);
      else session.drag(made);
      return from;
    },
    { filterTaps: true, pointer: { buttons: [1], keys: false } },
  );
  return () => {
    const handlers = bind();
    return {
      ...handlers,
      // The paper beneath must not take the same press for a pan or a choice.
      onPointerDown: (event: React.PointerEvent) => {
        event.stopPropagation();
        handlers.onPointerDown?.(event);
      },
    };
  };
}

/** Nodes nearer together than this cover one another, px. */
const APART = 11;

/** The nodes that have room, as long as none comes or goes and the sheet is not enlarged: one that is dragged past
 * others stays. */
function useShown(view: View, path: PathShown): Set<string> {
  const key = [view.zoom, path.id, ...path.nodes.map((node) => node.id)].join(" ");
  const [kept, setKept] = useState({ key: "", shown: new Set<string>() });
  if (kept.key === key) return kept.shown;
  const room = haveRoom(
    path.nodes.map((node) => toScreen(view, node)),
    APART,
  );
  const shown = new Set(path.nodes.filter((_, index) => room[index]).map((node) => node.id));
  setKept({ key, shown });
  return shown;
}

export function Nodes({ view, path }: { view: View; path: PathShown }) {
  const nodes = useTableState((state) => state.nodes);
  const shown = useShown(view, path);
  return (
    <g>
      {path.nodes.map(
        (node, index) =>
          (shown.has(node.id) || nodes.includes(node.id)) && (
            <g key={node.id}>
              {nodes.includes(node.id) &&
                (["into", "out"] as const).map(
                  (side) => node[side] && <Handle key={side} view={view} path={path} node={node} side={side} />,
                )}
              <NodeMark view={view} path={path} node={node} index={index} chosen={nodes.includes(node.id)} />
            </g>
          ),
      )}
    </g>
  );
}

interface NodeProps {
  view: View;
  path: PathShown;
  node: NodeDoc;
  index: number;
  chosen: boolean;
}

function NodeMark({ view, path, node, index, chosen }: NodeProps) {
  const session = useSheetSession();
  const move = (to: Spot): Intent => ({
    kind: "move-nodes",
    path: path.id,
    moves: movesWith(path, node, to),
  });
  const land = (to: Spot, event: PointerEvent, from: Spot) => {
    const { nodes } = tableState();
    const moved = nodes.includes(node.id) ? nodes : [node.id];
    const but = { path: path.id, nodes: moved, follows: follows(session.frame, path.id) };
    return move(landing(to, session.frame, { from, straight: event.shiftKey, but }));
  };
  const bind = useSheetDrag({ x: node.x, y: node.y }, land, (event) => chooseNode(node.id, event.shiftKey));
  const at = toScreen(view, node);
  const onKeyDown = (event: React.KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (arrow) {
      const step = session.frame.sheet.factor * nudge(event);
      void session.command(move({ x: node.x + step * arrow[0], y: node.y + step * arrow[1] }));
    } else if (event.key === "Enter" || event.key === " ") chooseNode(node.id, event.shiftKey);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <g
      transform={`translate(${at.x} ${at.y})`}
      role="button"
      tabIndex={-1}
      aria-label={`Node ${index + 1} of ${path.name}`}
      aria-pressed={chosen}
      data-mark="node"
      data-testid={`node-${node.id}`}
      style={{ cursor: "move" }}
      onKeyDown={onKeyDown}
      {...bind()}
      onDoubleClick={(event) => {
        event.stopPropagation();
        const shape = node.into || node.out ? "straight" : "curved";
        void session.command({ kind: "shape-node", path: path.id, nodes: [node.id], shape });
      }}
    >
      <circle r={9} fill="transparent" />
      <NodeShape curved={Boolean(node.into ?? node.out)} chosen={chosen} />
    </g>
  );
}

function NodeShape({ curved, chosen }: { curved: boolean; chosen: boolean }) {
  const paint = { fill: chosen ? "var(--mark)" : "var(--halo)", stroke: "var(--mark)", strokeWidth: 1.4 };
  if (curved) return <path d="M0-5.5L5.5 0L0 5.5L-5.5 0z" {...paint} />;
  return (
    <>
      <circle r={5} {...paint} />
      <circle r={1.8} fill={chosen ? "var(--halo)" : "var(--mark)"} />
    </>
  );
}

function chooseNode(id: string, more: boolean) {
  const { nodes } = tableState();
  if (!more) return tableState().set({ nodes: [id] });
  tableState().set({ nodes: nodes.includes(id) ? nodes.filter((n) => n !== id) : [...nodes, id] });
}

/** A node's move, with the other chosen nodes moved as far. */
function movesWith(path: PathShown, node: NodeDoc, to: Spot) {
  const { nodes } = tableState();
  const shift = { x: to.x - node.x, y: to.y - node.y };
  const along = nodes.includes(node.id) ? path.nodes.filter((n) => nodes.includes(n.id)) : [node];
  return along.map((n) => ({ id: n.id, x: n.x + shift.x, y: n.y + shift.y }));
}

interface HandleProps {
  view: View;
  path: PathShown;
  node: NodeDoc;
  side: Side;
}

function Handle({ view, path, node, side }: HandleProps) {
  const session = useSheetSession();
  const frame = useFrame("sheet");
  const [x, y] = node[side]!;
  const move = (to: Spot, free: boolean): Intent => ({
    kind: "move-handle",
    path: path.id,
    node: node.id,
    side,
    ...to,
    free,
  });
  const bind = useSheetDrag({ x, y }, (to, event) => move(to, event.altKey));
  const at = toScreen(view, { x, y });
  const from = toScreen(view, node);
  return (
    <>
      <path d={`M${from.x} ${from.y}L${at.x} ${at.y}`} stroke="var(--mark)" strokeWidth={1} pointerEvents="none" />
      <g
        transform={`translate(${at.x} ${at.y})`}
        role="button"
        tabIndex={-1}
        aria-label={`Handle ${side === "into" ? "before" : "after"} the node`}
        data-testid={`handle-${side}`}
        style={{ cursor: "move" }}
        onKeyDown={(event) => {
          const arrow = ARROWS[event.key];
          if (!arrow) return;
          event.preventDefault();
          event.stopPropagation();
          const step = frame.sheet.factor * nudge(event);
          void session.command(move({ x: x + step * arrow[0], y: y + step * arrow[1] }, event.altKey));
        }}
        {...bind()}
      >
        <circle r={8} fill="transparent" />
        <circle r={3.4} fill="var(--mark)" stroke="var(--halo)" />
      </g>
    </>
  );
}
