/** The Ticket: measured facts and settings of the chosen run, on a work ticket. */
import { useChosen } from "../sheet";
import { BarePath } from "./BarePath";
import { Corners, Crossings } from "./Corners";
import { Courses } from "./Courses";
import { Ends } from "./Ends";
import { FacingAndHold } from "./FacingAndHold";
import { Legs } from "./Legs";
import { Measures } from "./Measures";
import { NodeWork } from "./NodeWork";
import { Order } from "./Order";
import { PathHead } from "./PathHead";
import { Remainder } from "./Remainder";
import { RunsOnPath } from "./RunsOnPath";
import { RunWork } from "./RunWork";
import { Sway } from "./Sway";
import { Thread } from "./Thread";
import { Warnings } from "./Warnings";

export function Ticket() {
  const { path, run } = useChosen();
  return (
    <aside aria-label="Ticket" className="relative min-h-0 overflow-y-auto border-l border-base-300 bg-base-200 p-3">
      <div className="rounded-box border border-base-300 bg-base-100 px-3.5 pt-2 pb-3">
        <span aria-hidden className="mx-auto mb-1.5 block size-3 rounded-full border border-base-300 bg-base-200" />
        {!path && <Nothing />}
        {path && <PathHead />}
        {path && run && run.fault && <p className="border-l-4 border-error bg-error/15 px-2.5 py-1.5">{run.fault}</p>}
        {path && run && (
          <>
            <RunsOnPath />
            <Warnings />
            <Measures />
            <Legs />
            <Remainder />
            <FacingAndHold />
            <Corners />
            <Crossings />
            <Ends />
            <Order />
            <Courses />
            <Sway />
            <Thread />
            <RunWork />
          </>
        )}
        {path && !run && <BarePath />}
        {path && <NodeWork />}
      </div>
    </aside>
  );
}

function Nothing() {
  return (
    <>
      <h2 className="text-[18px] font-bold">Nothing chosen</h2>
      <p className="muted mt-1">
        Press a path on the sheet or in the list. Its stitch length, gap, legs and corners are measured here.
      </p>
    </>
  );
}

export function Heading({ children }: { children: React.ReactNode }) {
  return <h3 className="mt-2.5 mb-1 text-[12px] font-bold">{children}</h3>;
}
