/** The Bench: where motifs and brushes are made, and proved before they are used. */
import { usePanelKeys } from "@/shared/ui/Panel";
import { isUnsaved, SKIP } from "@/shared/ui/stops";
import { useEffect, useMemo } from "react";
import { useNavigate, useParams } from "react-router";

import { MakerContext } from "@/shared/maker/maker";
import { Parts, useParts } from "@/shared/ui/Parts";
import { useTitle } from "@/shared/title";
import { Message } from "@/table/Message";

import { useBench, useBenchMaker, Workbench, WorkbenchContext } from "./bench";
import { CourseStack } from "./CourseStack";
import { DrawingBoard } from "./draw/DrawingBoard";
import { DrawingCard } from "./draw/DrawingCard";
import { FollowOrKeep } from "./FollowOrKeep";
import { BenchHead } from "./BenchHead";
import { Notice } from "./Notice";
import { ProofBoard } from "./ProofBoard";
import { RepeatView } from "./RepeatView";
import { SampleStrip } from "./SampleStrip";
import { SettingsCard } from "./settings/SettingsCard";
import { TraceDialog } from "./trace/TraceDialog";

export function BenchPage() {
  const { brushId } = useParams();
  const navigate = useNavigate();
  const workbench = useMemo(() => new Workbench((id) => void navigate(`/bench/${id}`, { replace: true })), [navigate]);
  const brush = useBench((state) => state.brush);
  const notice = useBench((state) => state.notice);

  useTitle(brush ? `${brush.doc.name}, on the Bench` : "Bench");

  useEffect(() => {
    // A copy that was just made is on the Bench already.
    if (brushId && useBench.getState().brush?.id !== brushId) void workbench.open(brushId);
  }, [workbench, brushId]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || isUnsaved(event.target)) return;
      // With Shift held the key's own letter is a capital.
      const key = event.key.toLowerCase();
      if (key === "z" && !event.shiftKey) void workbench.undo();
      else if (key === "y" || key === "z") void workbench.redo();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [workbench]);

  if (!brush) return <Message title="The Bench" text={notice ?? "Opening the brush."} />;
  return (
    <WorkbenchContext value={workbench}>
      <Board />
    </WorkbenchContext>
  );
}

const PARTS = [
  ["courses", "Courses"],
  ["board", "Board"],
  ["settings", "Settings"],
] as const;
type Part = (typeof PARTS)[number][0];

function Board() {
  usePanelKeys();
  const { part, setPart, only } = useParts<Part>("board");
  const maker = useBenchMaker();
  const drawn = useBench((state) => state.drawn);
  return (
    <MakerContext value={maker}>
      <a href="#board" className={SKIP}>
        Skip to the board
      </a>
      <div
        className="grid h-full grid-cols-[232px_minmax(0,1fr)_300px] grid-rows-[44px_minmax(0,1fr)] bg-base-200 max-[899px]:grid-cols-1 max-[899px]:grid-rows-[44px_36px_minmax(0,1fr)]"
        data-testid="bench"
      >
        <BenchHead />
        <Parts label="Parts of the Bench" options={PARTS} part={part} onChange={setPart} />
        <CourseStack className={only("courses")} />
        <main
          id="board"
          tabIndex={-1}
          className={`flex min-h-0 flex-col overflow-y-auto bg-(--paper) ${only("board")}`}
        >
          {drawn ? (
            <>
              {drawn.artwork ? <DrawingBoard artwork={drawn.artwork} /> : <RepeatView drawn={drawn} />}
              <ProofBoard drawn={drawn} />
              <SampleStrip drawn={drawn} />
            </>
          ) : (
            <p className="muted p-4">Drawing the brush.</p>
          )}
        </main>
        {drawn?.artwork ? <DrawingCard className={only("settings")} /> : <SettingsCard className={only("settings")} />}
      </div>
      <TraceDialog />
      <FollowOrKeep />
      <Notice />
    </MakerContext>
  );
}
