/** Where the rows lie: offset and gauge; and which course is set, where a brush has several. */
import { COURSE_NAMES } from "@/shared/maker/CourseMeasures";
import { Decision } from "@/shared/maker/Decision";
import { mmText, NumberRow } from "@/shared/maker/fields";
import { useMaker, useRow } from "@/shared/maker/maker";
import { Choice } from "@/shared/ui/Choice";
import { useLength } from "@/shared/ui/unit";

import { tableState } from "../state";
import { Stretch } from "./Stretch";
import { useRun } from "./settings";

const AS_ONE = "one";

export function Rows() {
  const { alike = [], gauge } = useRun();
  const { doc, asOne } = useMaker();
  const place = useRow();
  const { text } = useLength();
  const courses = doc.courses ?? [];
  const offset = place?.row.offset?.mm ?? 0;
  const several = asOne && alike.length > 1;
  const words = several
    ? `${alike.length}${gauge ? `, gauge ${text(gauge[gauge.on === "paper" ? "paper" : "garment"])}` : ", uneven"}`
    : courses.length > 1
      ? courses.map((course) => COURSE_NAMES[course.course!].toLowerCase()).join(", ")
      : offsetWords(offset, text);
  return (
    <Decision
      id="rows"
      label={courses.length > 1 && !several ? "Courses" : "Rows"}
      set={words}
      pointers={several ? ["/gauge"] : place ? [place.at("offset")] : []}
    >
      {courses.length > 1 && <CoursePicker alike={alike} />}
      {several ? (
        <NumberRow
          label="Gauge"
          pointer="/gauge"
          value={gauge ? mmText({ mm: gauge[gauge.on === "paper" ? "paper" : "garment"] }) : ""}
          step={0.1}
        />
      ) : (
        place && <NumberRow label="Offset" pointer={place.at("offset")} value={mmText(place.row.offset)} step={0.5} />
      )}
      <Stretch />
    </Decision>
  );
}

function offsetWords(offset: number, text: (mm: number, decimals?: number) => string): string {
  if (Math.abs(offset) < 1e-6) return "1, on the path";
  return `1, ${text(Math.abs(offset), 1)} to the ${offset < 0 ? "left" : "right"}`;
}

/** Topmost first, as they lie; rows that are alike first as one. */
function CoursePicker({ alike }: { alike: readonly number[] }) {
  const run = useRun();
  const { doc, course, asOne } = useMaker();
  const courses = doc.courses ?? [];
  const options = courses.map((item, i) => [String(i), `${i + 1} ${COURSE_NAMES[item.course!]}`] as const).toReversed();
  const one = alike.length > 1 ? [[AS_ONE, `All ${alike.length} rows`] as const] : [];
  return (
    <Choice
      label="Course to set"
      options={[...one, ...options]}
      value={asOne && alike.length > 1 ? AS_ONE : String(course)}
      onChange={(key) => tableState().set({ course: key === AS_ONE ? null : { run: run.id, index: Number(key) } })}
    />
  );
}
