/** Which way motifs point, and how they sit on a curve. */
import { FACINGS, HOLDS } from "@/shared/ui/trade";

import { NumberRow, Options, Tick } from "./fields";
import { Own } from "./Own";
import { Heading } from "./Ticket";
import { useRow, useRun } from "./settings";
import { QuietButton } from "./QuietButton";
import { useDesk } from "../sheet";

export function FacingAndHold() {
  const place = useRow();
  if (!place || place.row.motif?.family === "running") return <Span />;
  const facing = place.row.facing!;
  const at = (name: string) => place.at(`facing/${name}`);
  return (
    <>
      <Heading>
        Facing
        <Own pointer={place.at("facing")} label="Facing" />
      </Heading>
      <Options label="Facing" pointer={at("kind")} options={FACINGS} value={facing.kind!} />
      {facing.kind === "turned" && (
        <NumberRow label="Turned by" pointer={at("angle")} value={`${facing.angle}°`} step={5} />
      )}
      <Tick label="Flip along" pointer={at("flip_along")} value={facing.flip_along!} />
      <Tick label="Flip across" pointer={at("flip_across")} value={facing.flip_across!} />
      <Tick label="Mirror every other one" pointer={at("mirror_alternate")} value={facing.mirror_alternate!} />
      <Heading>
        On a curve
        <Own pointer={place.at("hold")} label="On a curve" />
      </Heading>
      <Options label="On a curve" pointer={place.at("hold")} options={HOLDS} value={place.row.hold!} />
      <Span />
    </>
  );
}

/** From repeats to one motif stretched once, and back. */
function Span() {
  const desk = useDesk();
  const run = useRun();
  const courses = run.settings.courses ?? [];
  const index = courses.findLastIndex((course) => course.course === "span" || (course.course === "row" && course.motif?.family !== "running"));
  const course = courses[index];
  if (!course) return null;
  return (
    <div className="mt-1.5">
      <QuietButton onClick={() => desk.command({ kind: "switch-course", run: run.id, course: index })}>
        {course.course === "span" ? "Repeat the motif" : "Stretch it once along the path"}
      </QuietButton>
    </div>
  );
}
