/** The course that is worked on: what it is made of, then size, spacing, facing, hold, ends, order, sway. */
import { CourseMeasures, SwellAlong } from "@/shared/maker/CourseMeasures";
import { Facing, OnCurves } from "@/shared/maker/FacingAndHold";
import { mmText, NumberRow, Tick } from "@/shared/maker/fields";
import { Decision } from "@/shared/maker/Decision";
import { Heading } from "@/shared/maker/Heading";
import { useMaker, useRow } from "@/shared/maker/maker";
import { Order } from "@/shared/maker/Order";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Remainder } from "@/shared/maker/Remainder";
import { endWords } from "@/shared/maker/ends";
import { Sway } from "@/shared/maker/Sway";

import { useBench, useWorkbench } from "../bench";
import { useFamilies } from "@/shared/families";
import { ArtworkWork } from "./ArtworkWork";
import { FamilyChoice, FamilySettings } from "./FamilySettings";

export function ThisCourse() {
  const { doc, course: index } = useMaker();
  const workbench = useWorkbench();
  const families = useFamilies();
  const course = doc.courses?.[index];
  if (!course) return null;
  if (course.course === "band") {
    return (
      <>
        <CourseMeasures />
        <SwellAlong />
      </>
    );
  }
  const base = `/courses/${index}`;
  const motif = course.motif!;
  const family = families.find((item) => item.id === motif.family);
  return (
    <>
      <Decision id="made-of" label="Made of" set={family?.name ?? "artwork"}>
        <FamilyChoice
          label="Family of the repeat"
          family={motif.family!}
          pieces={false}
          onChange={(family) => void workbench.make({ kind: "take-family", course: index, family })}
        />
        <FamilySettings base={`${base}/motif`} motif={motif} />
        <ArtworkWork />
        <div className="mt-1.5">
          <QuietButton onClick={() => void workbench.make({ kind: "stretch-or-repeat", course: index })}>
            {course.course === "span" ? "Repeat the motif" : "Stretch it once along the path"}
          </QuietButton>
        </div>
      </Decision>
      {course.course === "row" && <Spacing />}
      <CourseMeasures />
      <Remainder />
      <Facing />
      <OnCurves />
      <SwellAlong />
      <RowEnds />
      <Order />
      <Sway />
      <Facts />
    </>
  );
}

function Spacing() {
  const { row, at } = useRow()!;
  const gap = row.gap as { mm?: number; percent?: number };
  const gapText = gap.percent === undefined ? mmText({ mm: gap.mm ?? 0 }) : `${gap.percent} %`;
  return (
    <Decision
      id="stitch"
      label="Repeat"
      set={
        <span className="measure">
          {mmText(row.length)} + {gapText}
        </span>
      }
      result={row.size === 100 ? undefined : `${row.size} %`}
    >
      <NumberRow label="Length" pointer={at("length")} value={mmText(row.length)} step={0.5} />
      <NumberRow label="Gap" pointer={at("gap")} value={gapText} step={0.5} />
      <NumberRow label="Size" pointer={at("size")} value={`${row.size} %`} step={5} />
      <NumberRow label="Line weight" pointer={at("weight")} value={`${row.weight} %`} step={5} />
      <NumberRow label="Opacity of the course" pointer={at("opacity")} value={`${row.opacity} %`} step={10} />
      <NumberRow label="Offset" pointer={at("offset")} value={mmText(row.offset)} step={0.5} />
      <NumberRow label="Start shift" pointer={at("start_shift")} value={mmText(row.start_shift)} step={0.5} />
      {(row.offset?.mm ?? 0) !== 0 && (
        <Tick label="Measured on its own line" pointer={at("own_line")} value={row.own_line!} />
      )}
    </Decision>
  );
}

function RowEnds() {
  const place = useRow();
  const { doc } = useMaker();
  if (!place || doc.kind !== "stitch") return null;
  const ends = place.row.ends!;
  const at = (name: string) => place.at(`ends/${name}`);
  return (
    <Decision id="ends" label="Ends" set={endWords(ends, true, true)}>
      <NumberRow label="Backtack, stitches" pointer={at("backtack")} value={String(ends.backtack)} step={1} />
      <NumberRow label="Condensed, stitches" pointer={at("condensed")} value={String(ends.condensed)} step={1} />
      <NumberRow label="Oversewn, stitches" pointer={at("oversew")} value={String(ends.oversew)} step={1} />
      <NumberRow label="Bartack" pointer={at("bartack")} value={mmText(ends.bartack)} step={1} />
    </Decision>
  );
}

/** What follows from the measures, and where they come from. */
function Facts() {
  const facts = useBench((state) => state.drawn?.facts) ?? [];
  const families = useFamilies();
  if (!facts.length || !families.length) return null;
  return (
    <>
      <Heading>As it comes out</Heading>
      <dl>
        {facts.map((fact) => (
          <div key={fact.label} className="flex justify-between gap-3 border-t border-dotted border-base-300 py-[3px]">
            <dt>{fact.label}</dt>
            <dd className="measure text-right">{fact.text}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}
