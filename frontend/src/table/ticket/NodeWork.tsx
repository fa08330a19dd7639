/** What can be done with the chosen path's nodes, without a mouse as well. */
import { plural } from "@/shared/ui/words";

import { deleteChosen } from "../keys";
import { useChosen, useDesk } from "../sheet";
import { useHand } from "../state";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";

export function NodeWork() {
  const desk = useDesk();
  const { path } = useChosen();
  const chosen = useHand((state) => state.nodes);
  const node = path!.nodes.find((item) => item.id === chosen.at(-1));
  const place = path!.nodes.findIndex((item) => item.id === node?.id);
  const shape = node && (node.into ?? node.out) ? "straight" : "curved";
  const goesOn = path!.closed || place < path!.nodes.length - 1;
  return (
    <>
      <Heading>
        Nodes <span className="muted font-normal">{plural(path!.nodes.length, "node")}</span>
      </Heading>
      {node ? (
        <div className="flex flex-wrap gap-1">
          {goesOn && (
            <QuietButton onClick={() => desk.command({ kind: "add-node", path: path!.id, after: node.id })}>
              Add one after node {place + 1}
            </QuietButton>
          )}
          <QuietButton onClick={() => desk.command({ kind: "shape-node", path: path!.id, node: node.id, shape })}>
            Make it {shape}
          </QuietButton>
          <QuietButton onClick={() => deleteChosen(desk)}>Delete {chosen.length > 1 ? "these nodes" : "the node"}</QuietButton>
        </div>
      ) : (
        <>
          <p className="muted mb-1 text-[12px]">
            Drag a node to move it. Press the path twice to add one, a node twice to bend or straighten it.
          </p>
          <QuietButton onClick={() => deleteChosen(desk)}>Delete the path</QuietButton>
        </>
      )}
    </>
  );
}
