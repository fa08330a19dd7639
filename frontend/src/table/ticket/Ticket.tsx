/** The Ticket: measured facts and settings of the chosen run, on a work ticket. */
import type { RunShown } from "@/shared/api/types";
import { CourseMeasures } from "@/shared/maker/CourseMeasures";
import { FacingAndHold } from "@/shared/maker/FacingAndHold";
import { MakerContext } from "@/shared/maker/maker";
import { Order } from "@/shared/maker/Order";
import { Remainder } from "@/shared/maker/Remainder";
import { Sway } from "@/shared/maker/Sway";

import { useChosen, useSheetSession } from "../sheet";
import { BarePath } from "./BarePath";
import { Corners, Crossings } from "./Corners";
import { Cloth } from "./Cloth";
import { CoursePicker } from "./Courses";
import { Ends } from "./Ends";
import { ThisFigure } from "../tools/figure/Figures";
import { ThisLettering } from "../tools/lettering/ThisLettering";
import { ToolCard } from "../tools/ToolCard";
import { Legs } from "./Legs";
import { Measures } from "./Measures";
import { NodeWork } from "./NodeWork";
import { PathHead } from "./PathHead";
import { PathWork } from "./PathWork";
import { RunsOnPath } from "./RunsOnPath";
import { RunWork } from "./RunWork";
import { useTableState } from "../state";
import { useRunMaker } from "./settings";
import { SheetCard } from "./SheetCard";
import { SingleCard } from "./SingleCard";
import { Stretch } from "./Stretch";
import { Thread } from "./Thread";
import { Warnings } from "./Warnings";

export function Ticket() {
  const { path, run } = useChosen();
  const single = useTableState((state) => state.single);
  const choosing = useTableState((state) => state.tool === "choose");
  return (
    <aside aria-label="Ticket" className="relative min-h-0 overflow-y-auto border-l border-base-300 bg-base-200 p-3">
      <ToolCard />
      {(path ?? choosing) && (
        <div className="rounded-box border border-base-300 bg-base-100 px-3.5 pt-2 pb-3">
          <span aria-hidden className="mx-auto mb-1.5 block size-3 rounded-full border border-base-300 bg-base-200" />
          {!path && single && <SingleCard />}
          {!path && !single && <SheetCard />}
          {path && <PathHead />}
          {path?.lettering && <ThisLettering key={path.lettering} id={path.lettering} />}
          {path && run && run.fault && (
            <p data-testid="fault" className="border-l-4 border-error bg-error/15 px-2.5 py-1.5">
              {run.fault}
            </p>
          )}
          {path && run && <RunTicket run={run} />}
          {path && !run && <BarePath />}
          {path && <ThisFigure />}
          {path && <Cloth />}
          {path && !path.lettering && <NodeWork />}
          {path && <PathWork />}
        </div>
      )}
    </aside>
  );
}

/** Warnings first, then what a maker decides, in that order. */
function RunTicket({ run }: { run: RunShown }) {
  const session = useSheetSession();
  const maker = useRunMaker(run);
  return (
    <MakerContext value={maker}>
      <RunsOnPath />
      <Warnings />
      <CoursePicker />
      <Measures />
      <CourseMeasures />
      <Legs />
      <Remainder />
      <FacingAndHold />
      <Stretch />
      <Corners />
      <Crossings />
      <Ends />
      <Order />
      <Sway newSeed={() => void session.command({ kind: "new-seed", run: run.id })} />
      <Thread />
      <RunWork />
    </MakerContext>
  );
}
