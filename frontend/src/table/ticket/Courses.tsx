/** The other courses of the brush, and how width swells along the run. */
import type { RunShown } from "@/shared/api/types";

import { CurvePad } from "./CurvePad";
import { mmText, NumberRow } from "./fields";
import { Own } from "./Own";
import { Heading } from "./Ticket";
import { useRun, useSettings } from "./settings";

type Course = NonNullable<RunShown["settings"]["courses"]>[number];

const NAMES = { band: "Band", row: "Row", span: "Span" } as const;

export function Courses() {
  const run = useRun();
  const courses = run.settings.courses ?? [];
  const others = courses.map((course, index) => ({ course, index })).filter(({ index }) => index !== run.main);
  const main = run.main === null || run.main === undefined ? undefined : courses[run.main];
  const swells = main?.course === "row" && main.hold === "bend";
  if (!others.length && !swells) return null;
  return (
    <>
      <Heading>{others.length ? "Courses, topmost first" : "Swell"}</Heading>
      {swells && <SwellPad course={main} index={run.main!} />}
      {others.toReversed().map(({ course, index }) => (
        <CourseRows key={index} course={course} index={index} />
      ))}
    </>
  );
}

function CourseRows({ course, index }: { course: Course; index: number }) {
  const at = (name: string) => `/courses/${index}/${name}`;
  const name = `${NAMES[course.course!]} ${index + 1}`;
  return (
    <div className="mt-1 border-t border-dotted border-base-300 pt-0.5">
      {course.course === "band" && (
        <NumberRow label={`${name} width`} pointer={at("width")} value={mmText(course.width)} step={0.5} />
      )}
      {course.course === "row" && (
        <NumberRow label={`${name} length`} pointer={at("length")} value={mmText(course.length)} step={0.5} />
      )}
      {course.course === "span" && (
        <NumberRow label={`${name} ends kept`} pointer={at("keep_ends")} value={mmText(course.keep_ends)} step={0.5} />
      )}
      <NumberRow label={`${name} offset`} pointer={at("offset")} value={mmText(course.offset)} step={0.5} />
      {course.course !== "row" && <SwellPad course={course} index={index} />}
    </div>
  );
}

/** Width along the run: the middle line is as drawn, the top twice as wide, the foot nothing. */
function SwellPad({ course, index }: { course: Course; index: number }) {
  const settings = useSettings();
  const pointer = `/courses/${index}/swell`;
  const points = course.swell ?? [];
  const toPoints = (values: number[]) =>
    values.map((value, i) => ({ at: i / (values.length - 1), width: Number((100 * (1 + value)).toFixed(1)) }));
  return (
    <div>
      <p className="muted mt-1 text-[12px]">
        Width along the run
        <Own pointer={pointer} label="Width along the run" />
      </p>
      <CurvePad
        label="Width along the run"
        values={points.map((point) => point.width / 100 - 1)}
        onTry={(values) => settings.tryValue(pointer, toPoints(values))}
        onKeep={(values) => void settings.keepValue(pointer, toPoints(values))}
      />
    </div>
  );
}
