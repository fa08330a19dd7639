/** What can be done with the chosen path's nodes, without a mouse as well. */
import type { Intent, NodeDoc } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";
import { NumberLine } from "@/shared/ui/NumberLine";
import { plural, typedMm } from "@/shared/ui/words";

import { deleteChosen } from "../keys";
import { useChosen, useDesk, useShown } from "../sheet";
import { hand, useHand } from "../state";

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

export function NodeWork() {
  const { path } = useChosen();
  const chosen = useHand((state) => state.nodes);
  const node = path!.nodes.find((item) => item.id === chosen.at(-1));
  return (
    <>
      <Heading>
        Nodes <span className="muted font-normal">{plural(path!.nodes.length, "node")}</span>
      </Heading>
      {path!.locked ? (
        <p className="muted text-[12px]">This path is locked: its nodes stay where they are.</p>
      ) : node ? (
        <OneNode node={node} />
      ) : (
        <AllNodes />
      )}
    </>
  );
}

function OneNode({ node }: { node: NodeDoc }) {
  const desk = useDesk();
  const { path } = useChosen();
  const nodes = useHand((state) => state.nodes);
  const place = path!.nodes.indexOf(node);
  const goesOn = path!.closed || place < path!.nodes.length - 1;
  const shape = (to: Shape) => desk.command({ kind: "shape-node", path: path!.id, nodes: [...nodes], shape: to });
  return (
    <>
      <Place node={node} />
      <div className="mt-1.5 mb-1.5">
        <Choice label="Handles" options={SHAPES} value={shapeOf(node)} onChange={(to) => void shape(to)} />
      </div>
      <div className="flex flex-wrap gap-1">
        {goesOn && (
          <QuietButton onClick={() => desk.command({ kind: "add-node", path: path!.id, after: node.id })}>
            Add one after node {place + 1}
          </QuietButton>
        )}
        <QuietButton onClick={() => deleteChosen(desk)}>Delete {nodes.length > 1 ? "these nodes" : "the node"}</QuietButton>
      </div>
    </>
  );
}

/** The node's place on the garment, to be typed. */
function Place({ node }: { node: NodeDoc }) {
  const desk = useDesk();
  const { path } = useChosen();
  const { factor } = useShown().head.sheet;
  const fields = [
    ["x", "From the left", node.x],
    ["y", "From the top", node.y],
  ] as const;
  return fields.map(([axis, label, at]) => {
    const put = (typed: string): Intent => ({ kind: "place-node", path: path!.id, node: node.id, [axis]: typed });
    return (
      <NumberLine key={axis} words={label}
          label={`Node, ${label.toLowerCase()}`}
          value={typedMm(at / factor)}
          step={1}
          onPreview={(typed) => desk.preview(put(typed))}
          onCommit={async (typed) => (await desk.command(put(typed)))?.message ?? null}
          onCancel={() => desk.dropPreviews(true)}
        />
    );
  });
}

function AllNodes() {
  const desk = useDesk();
  const cutting = useHand((state) => state.cutting);
  return (
    <>
      <p className="muted mb-1 text-[12px]">
        Drag a node to move it, the path itself to move the whole. Press the path twice to add a node, a node twice to bend or
        straighten it.
      </p>
      <div className="flex flex-wrap gap-1">
        <QuietButton onClick={() => hand().set({ cutting: !cutting })}>
          {cutting ? "Now press the path where to cut" : "Cut it where I press"}
        </QuietButton>
        <QuietButton onClick={() => deleteChosen(desk)}>Delete the path</QuietButton>
      </div>
      <CutAt />
    </>
  );
}

/** A cut by number. */
function CutAt() {
  const desk = useDesk();
  const { path } = useChosen();
  return (
    <NumberLine words="Cut it, from its start, at"
        label="Cut at a length along it"
        value=""
        length
        step={1}
        onCommit={async (along) => (await desk.command({ kind: "cut-path", path: path!.id, along }))?.message ?? null}
      />
  );
}
