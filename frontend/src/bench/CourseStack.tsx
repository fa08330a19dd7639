/** The brush's courses as they lie, topmost first. */
import { Panel } from "@/shared/ui/Panel";
import { beside, stop } from "@/shared/ui/stops";
import { ArrowDown, ArrowUp, X } from "lucide-react";

import type { BrushDoc } from "@/shared/api/types";
import { COURSE_NAMES } from "@/shared/maker/CourseMeasures";
import { useMaker } from "@/shared/maker/maker";

import { bench, useBench, useWorkbench } from "./bench";
import { useFamilies } from "@/shared/families";

type Course = NonNullable<BrushDoc["courses"]>[number];

export function CourseStack({ className }: { className: string }) {
  const workbench = useWorkbench();
  const courses = useMaker().doc.courses ?? [];
  const add = async (course: "band" | "row" | "span") => {
    if (await workbench.make({ kind: "add-course", course, family: "running" })) return;
    const top = (bench().brush?.doc.courses?.length ?? 1) - 1;
    bench().set({ course: top, whose: "course" });
    workbench.show(null);
  };
  return (
    <Panel label="Courses" className={`min-h-0 overflow-y-auto border-r border-base-300 p-3 ${className}`}>
      <h2 className="flex items-baseline justify-between font-bold">
        Courses <span className="measure muted font-normal">top first</span>
      </h2>
      <ol className="mt-1.5 space-y-2">
        {courses
          .map((course, index) => <CourseCard key={index} course={course} index={index} many={courses.length > 1} />)
          .toReversed()}
      </ol>
      <p data-line className="mt-2.5">
        Add a course:{" "}
        {(["band", "row", "span"] as const).map((course, index) => (
          <span key={course}>
            {index > 0 && ", "}
            <button
              {...(index > 0 ? beside : stop)}
              className="cursor-pointer text-accent underline decoration-dotted underline-offset-2"
              onClick={() => void add(course)}
            >
              {course}
            </button>
          </span>
        ))}
      </p>
      <p className="muted mt-3 text-[12px]">
        A band runs on without a break, a row repeats, a span is stretched once along the whole path. Ends, corners and
        joins lie on the sample at the foot of the board: press one there to work on it.
      </p>
    </Panel>
  );
}

const small = "grid size-6 cursor-pointer place-items-center rounded-full hover:bg-base-200 disabled:opacity-35";

function CourseCard({ course, index, many }: { course: Course; index: number; many: boolean }) {
  const workbench = useWorkbench();
  const chosen = useBench((state) => state.course === index);
  const count = useMaker().doc.courses?.length ?? 1;
  const name = useCourseName(course);
  const choose = () => {
    bench().set({ course: index, whose: bench().whose === "brush" ? "course" : bench().whose });
    workbench.show(null);
  };
  const move = (up: boolean) => async () => {
    if (!(await workbench.make({ kind: "move-course", course: index, up }))) {
      bench().set({ course: index + (up ? 1 : -1) });
      workbench.show(null);
    }
  };
  return (
    <li
      data-line
      className={`rounded-box border bg-base-100 ${chosen ? "border-base-content border-l-[5px] border-l-primary" : "border-base-300"}`}
    >
      <button
        {...stop}
        className="block w-full cursor-pointer px-2.5 pt-1.5 text-left"
        aria-pressed={chosen}
        data-testid={`course-${index}`}
        onClick={choose}
      >
        <span className="flex items-baseline justify-between gap-2">
          <span className="truncate">{name}</span>
          <span className="measure muted">{COURSE_NAMES[course.course!].toLowerCase()}</span>
        </span>
      </button>
      {many && (
        <span className="flex justify-end px-1 pb-0.5">
          <button
            {...beside}
            className={small}
            disabled={index === count - 1}
            aria-label={`Move ${name} up`}
            title="Move up"
            onClick={() => void move(true)()}
          >
            <ArrowUp size={14} />
          </button>
          <button
            {...beside}
            className={small}
            disabled={index === 0}
            aria-label={`Move ${name} down`}
            title="Move down"
            onClick={() => void move(false)()}
          >
            <ArrowDown size={14} />
          </button>
          <button
            {...beside}
            className={small}
            aria-label={`Remove ${name}`}
            title="Remove this course"
            onClick={() => void workbench.make({ kind: "remove-course", course: index })}
          >
            <X size={14} />
          </button>
        </span>
      )}
      {!many && <span className="block h-1.5" />}
    </li>
  );
}

function useCourseName(course: Course): string {
  const families = useFamilies();
  if (course.course === "band") return `Band, ${Number(course.width?.mm?.toFixed(2) ?? 0)} mm`;
  const family = course.motif?.family;
  return families.find((item) => item.id === family)?.name ?? "Artwork";
}
