/** What can be done with the chosen path's nodes, without a mouse as well. */
import type { Intent, NodeDoc } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";
import { NumberLine } from "@/shared/ui/NumberLine";
import { plural, enteredMm } from "@/shared/ui/words";

import { deleteChosen } from "../keys";
import { useChosen, useSheetSession, useShown } from "../sheet";
import { tableState, useTableState } from "../state";
import { useOpenedFor } from "./inView";

const SHAPES = [
  ["straight", "Straight"],
  ["line", "In line"],
  ["equal", "In line, equal"],
  ["free", "Free"],
] as const;
type Shape = (typeof SHAPES)[number][0];

/** How a node's handles hang together: as it says, or as they lie. */
function shapeOf(node: NodeDoc): Shape {
  if (!node.into && !node.out) return "straight";
  return node.handles ?? "line";
}

/** The chosen node's fields, opened when a node is chosen. */
export function NodeRow() {
  const { path } = useChosen();
  const chosen = useTableState((state) => state.nodes);
  const node = path!.nodes.find((item) => item.id === chosen.at(-1));
  useOpenedFor("node", node?.id ?? null);
  if (!node) return null;
  return (
    <Decision
      id="node"
      label={chosen.length > 1 ? "Nodes" : "Node"}
      set={
        chosen.length > 1 ? plural(chosen.length, "node") : `${path!.nodes.indexOf(node) + 1} of ${path!.nodes.length}`
      }
      result={SHAPES.find(([key]) => key === shapeOf(node))?.[1].toLowerCase()}
    >
      {path!.locked ? <LockedWords /> : <OneNode node={node} />}
    </Decision>
  );
}

function LockedWords() {
  return <p className="muted text-[12px]">This path is locked: its nodes stay where they are.</p>;
}

function OneNode({ node }: { node: NodeDoc }) {
  const session = useSheetSession();
  const { path } = useChosen();
  const nodes = useTableState((state) => state.nodes);
  const place = path!.nodes.indexOf(node);
  const goesOn = path!.closed || place < path!.nodes.length - 1;
  const shape = (to: Shape) => session.command({ kind: "shape-node", path: path!.id, nodes: [...nodes], shape: to });
  return (
    <>
      <Place node={node} />
      <div className="mt-1.5 mb-1.5">
        <Choice label="Handles" options={SHAPES} value={shapeOf(node)} onChange={(to) => void shape(to)} />
      </div>
      <div className="flex flex-wrap gap-1">
        {goesOn && (
          <QuietButton onClick={() => session.command({ kind: "add-node", path: path!.id, after: node.id })}>
            Add one after node {place + 1}
          </QuietButton>
        )}
        <QuietButton onClick={() => deleteChosen(session)}>
          Delete {nodes.length > 1 ? "these nodes" : "the node"}
        </QuietButton>
      </div>
    </>
  );
}

/** The node's place on the garment, to be entered. */
function Place({ node }: { node: NodeDoc }) {
  const session = useSheetSession();
  const { path } = useChosen();
  const { factor } = useShown((frame) => frame.sheet);
  const fields = [
    ["x", "From the left", node.x],
    ["y", "From the top", node.y],
  ] as const;
  return fields.map(([axis, label, at]) => {
    const put = (entered: string): Intent => ({ kind: "place-node", path: path!.id, node: node.id, [axis]: entered });
    return (
      <NumberLine
        key={axis}
        words={label}
        label={`Node, ${label.toLowerCase()}`}
        value={enteredMm(at / factor)}
        step={1}
        onPreview={(entered) => session.preview(put(entered))}
        onCommit={async (entered) => await session.entered(put(entered))}
        onCancel={() => session.dropPreviews(true)}
      />
    );
  });
}

/** What is done with the nodes while none is chosen. */
export function AllNodes() {
  const session = useSheetSession();
  const { path } = useChosen();
  const cutting = useTableState((state) => state.cutting);
  return (
    <Decision id="nodes" label="Nodes" set={String(path!.nodes.length)}>
      {path!.locked && <LockedWords />}
      <p className="muted mb-1 text-[12px]">
        Drag a node to move it, the path itself to move the whole. Press the path twice to add a node, a node twice to
        bend or straighten it.
      </p>
      <div className="flex flex-wrap gap-1">
        <QuietButton onClick={() => tableState().set({ cutting: !cutting })}>
          {cutting ? "Now press the path where it is to be cut" : "Cut it where I press"}
        </QuietButton>
        <QuietButton onClick={() => deleteChosen(session)}>Delete the path</QuietButton>
      </div>
      <CutAt />
    </Decision>
  );
}

/** A cut by number. */
function CutAt() {
  const session = useSheetSession();
  const { path } = useChosen();
  return (
    <NumberLine
      words="Cut it, from its start, at"
      label="Cut at a length along it"
      value=""
      length
      step={1}
      onCommit={async (along) => await session.entered({ kind: "cut-path", path: path!.id, along })}
    />
  );
}
