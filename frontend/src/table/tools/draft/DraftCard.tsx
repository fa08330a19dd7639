/** The Draft tool's card: what draws the pointer, and the next node by number. */
import { useState } from "react";

import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Tick } from "@/shared/ui/Tick";
import { plural } from "@/shared/ui/words";

import { useSheetSession } from "../../sheet";
import { tableState, setSnap, type Snaps, useTableState } from "../../state";
import { useEndDraft, useSetNode } from "./draftPointer";

const SNAPS: readonly [keyof Snaps, string][] = [
  ["nodes", "Nodes"],
  ["paths", "Paths"],
  ["crosses", "The paper’s crosses"],
  ["edges", "Sheet’s edges and middles"],
];

export function SnapChoice() {
  const snaps = useTableState((state) => state.snaps);
  return (
    <>
      <Heading>Snap to</Heading>
      {SNAPS.map(([key, words]) => (
        <Tick key={key} label={words} on={snaps[key]} onChange={(on) => setSnap(key, on)} />
      ))}
    </>
  );
}

export function DraftCard() {
  const draft = useTableState((state) => state.draft);
  const end = useEndDraft();
  return (
    <>
      <h2 className="text-[18px] font-bold">Draft a path</h2>
      <p className="muted mt-1">
        Press for a straight node, drag for a curved one. Shift keeps to 0°, 45° and 90°. Begin at the end of an open
        path to go on with it, end at another to join them.
      </p>
      <NextNode />
      {draft.length > 0 && (
        <div className="mt-1.5 flex flex-wrap items-center gap-1">
          <span className="muted mr-auto text-[12px]">{plural(draft.length, "node")} set</span>
          <QuietButton onClick={() => tableState().set({ draft: draft.slice(0, -1) })}>
            Remove the last node
          </QuietButton>
          {draft.length > 1 && <QuietButton onClick={() => end(false)}>End it here</QuietButton>}
          {draft.length > 2 && <QuietButton onClick={() => end(true)}>Close it</QuietButton>}
        </div>
      )}
      <SnapChoice />
    </>
  );
}

const WAYS = [
  ["place", "Its place"],
  ["way", "Length and direction"],
] as const;

/** A node set by number: from the sheet's left and top, or from the last node. */
function NextNode() {
  const session = useSheetSession();
  const setNode = useSetNode();
  const last = useTableState((state) => state.draft.at(-1));
  const [by, setBy] = useState<(typeof WAYS)[number][0]>("place");
  const [entered, setTyped] = useState<[string, string]>(["100 mm", "100 mm"]);
  const [fault, setFault] = useState<string | null>(null);
  const relative = by === "way" && last !== undefined;
  const keep = (index: 0 | 1) => (text: string) => {
    setTyped((now) => (index ? [now[0], text] : [text, now[1]]));
    setFault(null);
    return Promise.resolve(null);
  };
  const put = async () => {
    try {
      const [one, other] = entered;
      const asked = relative ? { length: one, direction: other, from_x: last.x, from_y: last.y } : { x: one, y: other };
      const at = await api.place(session.id, asked);
      setNode({ ...at, on: null, end: null });
    } catch (error) {
      setFault(error instanceof Refusal ? error.message : String(error));
    }
  };
  return (
    <>
      <Heading>The next node by number</Heading>
      {last && <Choice label="The next node by" options={WAYS} value={by} onChange={setBy} />}
      <NumberLine label={relative ? "Length" : "From the left"} value={entered[0]} step={1} onCommit={keep(0)} />
      <NumberLine
        label={relative ? "Direction, clockwise" : "From the top"}
        value={entered[1]}
        step={1}
        onCommit={keep(1)}
      />
      {fault && <p className="mt-1 text-[12px] text-error">{fault}</p>}
      <div className="mt-1.5 text-right">
        <QuietButton onClick={put}>Set the node</QuietButton>
      </div>
    </>
  );
}
