/** Which course the Ticket sets, where a brush has several. */
import { COURSE_NAMES } from "@/shared/maker/CourseMeasures";
import { Heading } from "@/shared/maker/Heading";
import { Choice } from "@/shared/ui/Choice";

import { tableState } from "../state";
import { useCourse, useRun } from "./settings";

/** Topmost first, as they lie. */
export function CoursePicker() {
  const run = useRun();
  const courses = run.settings.courses ?? [];
  const index = useCourse();
  if (courses.length < 2) return null;
  const options = courses
    .map((course, i) => [String(i), `${i + 1} ${COURSE_NAMES[course.course!]}`] as const)
    .toReversed();
  return (
    <>
      <Heading>Courses, topmost first</Heading>
      <Choice
        label="Course to set"
        options={options}
        value={String(index)}
        onChange={(key) => tableState().set({ course: { run: run.id, index: Number(key) } })}
      />
    </>
  );
}
