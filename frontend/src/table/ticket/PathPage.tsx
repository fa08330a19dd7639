/** What is done with the path itself, whatever brush it has: its own page of the Ticket, opened from one row. */
import { stop } from "@/shared/ui/stops";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Tick } from "@/shared/ui/Tick";
import { plural } from "@/shared/ui/words";

import { useChosen, useSheetSession, useFrame } from "../sheet";
import { tableState } from "../state";
import { Arrange, TurnAndResize } from "./Arrange";
import { NewArea } from "./Areas";
import { Crop } from "./Crop";
import { Fill, useFillWords } from "./Fill";
import { Group } from "./Group";
import { Mirror } from "./Mirror";
import { AllNodes } from "./NodeWork";
import { Beside, Rework, Simplify } from "./PathWork";
import { Similar } from "./Similar";
import { Stacking } from "./Stacking";

/** The row that the page is opened from. */
export function PathRow() {
  const { path } = useChosen();
  const { groups } = useFrame("groups");
  const fillWords = useFillWords();
  const group = groups.find((item) => item.id === path!.group)?.name;
  const words = [
    plural(path!.nodes.length, "node"),
    group ? `group ${group}` : "no group",
    path!.closed && (path!.fill ? fillWords(path!) : "no fill"),
  ];
  return (
    <h3 className="border-t border-base-content">
      <button
        {...stop}
        className="flex min-h-7 w-full cursor-pointer items-baseline gap-2 py-[3px] text-left hover:bg-base-200"
        data-testid="path-page"
        onClick={() => tableState().set({ page: "path" })}
      >
        <span className="w-[70px] shrink-0 font-semibold">Path</span>
        <span className="min-w-0 flex-1 truncate">{words.filter(Boolean).join(", ")}</span>
        <span aria-hidden className="muted">
          ›
        </span>
      </button>
    </h3>
  );
}

/** The way back to the stitching, in the head that stays. */
export function BackRow() {
  return (
    <button
      {...stop}
      // The page replaces the row that was pressed: the keys go on from here.
      // eslint-disable-next-line jsx-a11y/no-autofocus
      autoFocus
      className="flex min-h-7 w-full cursor-pointer items-baseline gap-2 text-left hover:bg-base-200"
      data-testid="stitching-page"
      onClick={() => tableState().set({ page: "stitching" })}
    >
      <span aria-hidden>‹</span> Back to the brush
    </button>
  );
}

export function PathPage() {
  const { paths } = useChosen();
  const ids = paths.map((path) => path.id);
  return (
    <>
      <Kept />
      <Group />
      <Fill />
      {paths.length === 1 && <NewArea />}
      <Crop />
      <AllNodes />
      <Stacking />
      <Rework ids={ids} />
      <Beside ids={ids} />
      <Mirror ids={ids} />
      <Arrange />
      <TurnAndResize />
      <Simplify ids={ids} />
      <Similar />
      <MatchLine />
    </>
  );
}

/** Whether the chosen paths are hidden, and whether their lines are locked. */
function Kept() {
  const session = useSheetSession();
  const { paths } = useChosen();
  const ids = paths.map((item) => item.id);
  return (
    <div className="flex min-h-7 items-center gap-4 border-b border-dotted border-base-300">
      <Tick
        label="Hidden"
        on={paths.every((item) => item.hidden)}
        onChange={(on) => void session.command({ kind: "show-paths", paths: ids, shown: !on })}
      />
      <Tick
        label="Locked"
        on={paths.every((item) => item.locked)}
        onChange={(on) => void session.command({ kind: "lock-paths", paths: ids, locked: on })}
      />
    </div>
  );
}

/** A brush with the stitch length, gap, thread, ends and colour of the line as it was drawn. */
function MatchLine() {
  const session = useSheetSession();
  const { path } = useChosen();
  if (!path!.lined) return null;
  return (
    <Decision id="match" label="As drawn" set="a brush from its line">
      <p className="muted mb-1 text-[12px]">
        The path came with a line of its own. Make a brush with its length, gap, thickness, ends and colour.
      </p>
      <QuietButton onClick={() => session.command({ kind: "match-line", path: path!.id })}>
        Make a brush of its line
      </QuietButton>
    </Decision>
  );
}
