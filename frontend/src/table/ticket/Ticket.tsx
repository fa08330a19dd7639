/** The Ticket: measured facts and settings of the chosen run, on a work ticket. */
import type { RunShown } from "@/shared/api/types";
import { CourseMeasures, SwellAlong } from "@/shared/maker/CourseMeasures";
import { Facing, OnCurves } from "@/shared/maker/FacingAndHold";
import { MakerContext } from "@/shared/maker/maker";
import { FadeRow } from "@/shared/maker/FadeRules";
import { Order } from "@/shared/maker/Order";
import { ReliefRow } from "@/shared/maker/ReliefRules";
import { Remainder } from "@/shared/maker/Remainder";
import { ShadesContext } from "@/shared/maker/shades";
import { Sway } from "@/shared/maker/Sway";
import { Panel } from "@/shared/ui/Panel";

import { useCard } from "../shades/useCard";
import { ShadeCard } from "../shades/ShadeCard";
import { useChosen, useSheetSession } from "../sheet";
import { useTableState } from "../state";
import { ThisFigure } from "../tools/figure/Figures";
import { ThisLettering } from "../tools/lettering/ThisLettering";
import { ToolCard } from "../tools/ToolCard";
import { NewArea, ThisArea } from "./Areas";
import { BarePath } from "./BarePath";
import { BrushWork } from "./BrushWork";
import { CallOutRow } from "./CallOutRow";
import { Corners, Crossings } from "./Corners";
import { Ends } from "./Ends";
import { ByHandRow } from "./ByHandRow";
import { Legs } from "./Legs";
import { NodeRow } from "./NodeWork";
import { PathHead } from "./PathHead";
import { BackRow, PathPage, PathRow } from "./PathPage";
import { Rows } from "./Rows";
import { RunStrip } from "./RunStrip";
import { useRunMaker } from "./settings";
import { SheetCard } from "./SheetCard";
import { SingleCard } from "./SingleCard";
import { Stitch } from "./Stitch";
import { Thread } from "./Thread";
import { Warnings } from "./Warnings";

export function Ticket({ className }: { className: string }) {
  const { path } = useChosen();
  const single = useTableState((state) => state.single);
  const card = useTableState((state) => state.card !== null);
  const choosing = useTableState((state) => state.tool === "choose");
  const shades = useCard();
  return (
    <Panel
      as="aside"
      label="Ticket"
      // What is scrolled to is not left under the head that stays.
      className={`relative min-h-0 scroll-pt-32 overflow-y-auto border-l border-base-300 bg-base-200 py-3 pr-0.5 pl-3 [scrollbar-gutter:stable] ${className}`}
    >
      <ShadesContext value={shades}>
        <ToolCard />
        {(path || card || choosing) && (
          <div className="rounded-box border border-base-300 bg-base-100 px-3.5 pt-1.5 pb-2">
            <span aria-hidden className="mx-auto mb-0.5 block size-3 rounded-full border border-base-300 bg-base-200" />
            {card ? <ShadeCard /> : path ? <PathTicket /> : single ? <SingleCard /> : <SheetCard />}
          </div>
        )}
      </ShadesContext>
    </Panel>
  );
}

function PathTicket() {
  const { path, paths, run } = useChosen();
  const several = paths.length > 1;
  const page = useTableState((state) => state.page);
  return (
    <>
      <div className="sticky -top-3 z-10 -mx-3.5 bg-base-100 px-3.5 pb-1">
        <PathHead />
        {run?.fault && (
          <p data-testid="fault" className="border-l-4 border-error bg-error/15 px-2.5 py-1.5">
            {run.fault}
          </p>
        )}
        {run && <Warnings key={run.id} />}
        {run && <RunStrip run={run} />}
        {page === "path" && <BackRow />}
      </div>
      <NodeRow />
      {page === "path" ? (
        <PathPage />
      ) : (
        <>
          {path!.lettering && <ThisLettering key={path!.lettering} id={path!.lettering} />}
          {path!.area && <ThisArea key={path!.area} id={path!.area} />}
          <ThisFigure />
          {run ? <RunRows run={run} /> : <BarePath />}
          {several && <NewArea />}
          <PathRow />
        </>
      )}
    </>
  );
}

/** What a maker decides, in that order. */
function RunRows({ run }: { run: RunShown }) {
  const session = useSheetSession();
  const maker = useRunMaker(run);
  return (
    <MakerContext value={maker}>
      <BrushWork />
      <Stitch />
      <CourseMeasures />
      <Rows />
      <Thread />
      <ReliefRow />
      <FadeRow />
      <Legs />
      <ByHandRow />
      <Remainder />
      <Facing />
      <OnCurves />
      <SwellAlong />
      <Corners />
      {(run.crossings ?? []).length > 0 && <Crossings />}
      <Ends />
      <Order />
      <CallOutRow />
      <Sway newSeed={() => void session.command({ kind: "new-seed", run: run.id })} />
    </MakerContext>
  );
}
