/** The proof board: eight hard paths, always live; any one can be enlarged. */
import { useEffect, useMemo, useRef } from "react";

import { Panel } from "@/shared/ui/Panel";
import { stop } from "@/shared/ui/stops";
import type { BenchFrame, ProofShown } from "@/shared/api/types";
import { Choice } from "@/shared/ui/Choice";
import { plural } from "@/shared/ui/words";

import { bench, useBench, useWorkbench } from "./bench";
import { fitted, Painted } from "@/shared/draw/Painted";
import { useSize } from "./useSize";

/** CSS px to the mm: true size on screen. */
const TRUE = 96 / 25.4;
const SCALES = [
  ["1:1", "1:1"],
  ["1:2", "1:2"],
  ["1:4", "1:4"],
  ["1:10", "1:10"],
] as const;

export function ProofBoard({ drawn }: { drawn: BenchFrame }) {
  const workbench = useWorkbench();
  const scale = useBench((state) => state.scale);
  const { proofs } = drawn;
  const wrong = proofs.filter((proof) => proof.wrong.length).length;
  return (
    <Panel across label="Proof board" className="flex shrink-0 grow flex-col px-3.5 pt-2">
      <div className="flex items-center gap-2.5">
        <h2 className="font-bold">Proof board</h2>
        <span className="muted">{scale === "1:1" ? "fitted to the tiles" : "at paper size"}</span>
        <Choice
          label="Drawing scale"
          options={SCALES}
          value={scale as (typeof SCALES)[number][0]}
          onChange={(picked) => {
            bench().set({ scale: picked });
            workbench.show(null);
          }}
        />
        <span className={`ml-auto ${wrong ? "text-error" : "muted"}`} data-testid="proof-summary">
          {wrong ? plural(wrong, "warning") : "no warnings"}
        </span>
      </div>
      <ul className="mt-1.5 grid grow auto-rows-[minmax(137px,1fr)] grid-cols-4 gap-2">
        {proofs.map((proof) => (
          <Tile key={proof.name} proof={proof} onPaper={scale !== "1:1"} />
        ))}
      </ul>
      <Enlarged drawn={drawn} />
    </Panel>
  );
}

interface TileProps {
  proof: ProofShown;
  onPaper: boolean;
}

function Tile({ proof, onPaper }: TileProps) {
  const [box, { width, height }] = useSize<HTMLDivElement>();
  const at = useMemo(() => fitted(proof.box, width, height, onPaper ? TRUE : 24), [proof, width, height, onPaper]);
  const groups = useMemo(() => [proof.group], [proof]);
  const bad = proof.wrong.length > 0;
  return (
    <li>
      <button
        {...stop}
        className={`flex size-full cursor-pointer flex-col rounded-box border bg-base-100 text-left hover:border-base-content ${bad ? "border-error" : "border-base-300"}`}
        title={proof.wrong.join(" ") || "Enlarge"}
        data-testid={`proof-${proof.name}`}
        data-wrong={bad || undefined}
        onClick={() => bench().set({ enlarged: proof.name })}
      >
        <div ref={box} className="relative w-full grow overflow-hidden rounded-t-box bg-(--cloth)">
          {width > 0 && (
            <div className="absolute inset-0">
              <Painted groups={groups} width={width} height={height} at={at} />
            </div>
          )}
        </div>
        <span className="flex w-full items-baseline justify-between gap-1 px-2 leading-[22px]">
          <span className="shrink-0 text-[12px]">{capital(proof.name)}</span>
          <span className="sr-only">. {proof.wrong.join(" ")} Enlarge: </span>
          <span className={`measure truncate ${bad ? "text-error" : "muted"}`}>{proof.short || proof.says}</span>
        </span>
      </button>
    </li>
  );
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

function Enlarged({ drawn }: { drawn: BenchFrame }) {
  const name = useBench((state) => state.enlarged);
  const proof = drawn.proofs.find((item) => item.name === name);
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (proof) dialog.current?.showModal();
    else dialog.current?.close();
  }, [proof]);
  const at = useMemo(() => (proof ? fitted(proof.box, 720, 520, 60) : null), [proof]);
  const groups = useMemo(() => (proof ? [proof.group] : []), [proof]);
  return (
    <dialog
      ref={dialog}
      aria-label={proof ? `${capital(proof.name)}, enlarged` : "Proof"}
      className="m-auto rounded-box border border-base-300 bg-base-100 p-3 text-base-content backdrop:bg-black/40"
      onClose={() => bench().set({ enlarged: null })}
    >
      {proof && at && (
        <>
          <div className="overflow-hidden rounded-field bg-(--cloth)">
            <Painted groups={groups} width={720} height={520} at={at} />
          </div>
          <div className="mt-2 flex items-start gap-4">
            <div className="flex-1">
              <p className="font-bold">
                {capital(proof.name)} <span className="measure muted font-normal">{proof.says}</span>
              </p>
              {proof.wrong.map((text) => (
                <p key={text} className="text-error">
                  {text}
                </p>
              ))}
            </div>
            <button
              className="cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content"
              onClick={() => dialog.current?.close()}
            >
              Back to the board
            </button>
          </div>
        </>
      )}
    </dialog>
  );
}
