/** A band's or a span's measures, and how width swells along the run. */
import type { BrushDoc } from "@/shared/api/types";
import { BAND_ENDS, JOINS } from "@/shared/ui/trade";

import { CurvePad } from "./CurvePad";
import { mmText, NumberRow, Options } from "./fields";
import { Heading } from "./Heading";
import { useMaker } from "./maker";
import { Own } from "./Own";

type Course = NonNullable<BrushDoc["courses"]>[number];

export const COURSE_NAMES = { band: "Band", row: "Row", span: "Span" } as const;

/** A band's or a span's own measures, and how width swells along the run. */
export function CourseMeasures() {
  const { doc, course: index } = useMaker();
  const course = doc.courses?.[index];
  if (!course) return null;
  if (course.course === "row") {
    if (course.hold !== "bend") return null;
    return (
      <>
        <Heading>Swell</Heading>
        <SwellPad course={course} index={index} />
      </>
    );
  }
  const at = (name: string) => `/courses/${index}/${name}`;
  return (
    <>
      <Heading>{COURSE_NAMES[course.course!]}</Heading>
      {course.course === "band" ? (
        <>
          <NumberRow label="Width" pointer={at("width")} value={mmText(course.width)} step={0.5} />
          <NumberRow label="Offset" pointer={at("offset")} value={mmText(course.offset)} step={0.5} />
          <p className="muted mt-1 text-[12px]">
            Its joins <Own pointer={at("joins")} label="Its joins" />
          </p>
          <Options label="Its joins" pointer={at("joins")} options={JOINS} value={course.joins!} />
          <p className="muted mt-1 text-[12px]">
            Its ends <Own pointer={at("ends")} label="Its ends" />
          </p>
          <Options label="Its ends" pointer={at("ends")} options={BAND_ENDS} value={course.ends!} />
        </>
      ) : (
        <>
          <NumberRow
            label="Ends kept in proportion"
            pointer={at("keep_ends")}
            value={mmText(course.keep_ends)}
            step={0.5}
          />
          <NumberRow label="Offset" pointer={at("offset")} value={mmText(course.offset)} step={0.5} />
        </>
      )}
      {course.course === "span" && <NumberRow label="Size" pointer={at("size")} value={`${course.size} %`} step={5} />}
      <SwellPad course={course} index={index} />
    </>
  );
}

/** Width along the run: the middle line is as drawn, the top twice as wide, the foot nothing. */
export function SwellPad({ course, index }: { course: Course; index: number }) {
  const settings = useMaker();
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
