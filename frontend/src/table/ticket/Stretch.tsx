/** From repeats to one motif stretched once along the path, and back. */
import { QuietButton } from "@/shared/maker/QuietButton";

import { useSheetSession } from "../sheet";
import { useRun } from "./settings";

export function Stretch() {
  const session = useSheetSession();
  const run = useRun();
  const courses = run.settings.courses ?? [];
  const index = courses.findLastIndex(
    (course) => course.course === "span" || (course.course === "row" && course.motif?.family !== "running"),
  );
  const course = courses[index];
  if (!course) return null;
  return (
    <div className="mt-1.5">
      <QuietButton onClick={() => session.command({ kind: "switch-course", run: run.id, course: index })}>
        {course.course === "span" ? "Repeat the motif" : "Stretch it once along the path"}
      </QuietButton>
    </div>
  );
}
