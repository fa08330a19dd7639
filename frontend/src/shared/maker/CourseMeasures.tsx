/** A band's or a span's measures, and how width swells along the run. */
import type { BrushDoc } from "@/shared/api/types";
import { BAND_ENDS, JOINS, wordOf } from "@/shared/ui/trade";

import { CurvePad } from "./CurvePad";
import { Decision } from "./Decision";
import { mmText, NumberRow, Options } from "./fields";
import { useMaker } from "./maker";
import { Own } from "./Own";

type Course = NonNullable<BrushDoc["courses"]>[number];

export const COURSE_NAMES = { band: "Band", row: "Row", span: "Span" } as const;

/** What a band or a span measures. */
export function CourseMeasures() {
  const { doc, course: index } = useMaker();
  const course = doc.courses?.[index];
  if (!course || course.course === "row") return null;
  const at = (name: string) => `/courses/${index}/${name}`;
  if (course.course === "span") {
    return (
      <Decision
        id="measures"
        label="Span"
        set={`${course.size} %`}
        pointers={["keep_ends", "offset", "size", "opacity"].map(at)}
      >
        <NumberRow
          label="Ends kept in proportion"
          pointer={at("keep_ends")}
          value={mmText(course.keep_ends)}
          step={0.5}
        />
        <NumberRow label="Offset" pointer={at("offset")} value={mmText(course.offset)} step={0.5} />
        <NumberRow label="Size" pointer={at("size")} value={`${course.size} %`} step={5} />
        <NumberRow label="Opacity of the course" pointer={at("opacity")} value={`${course.opacity} %`} step={10} />
      </Decision>
    );
  }
  return (
    <Decision
      id="measures"
      label="Band"
      set={`${mmText(course.width)}, ${wordOf(BAND_ENDS, course.ends)} ends`}
      pointers={["width", "opacity", "offset", "joins", "ends"].map(at)}
    >
      <NumberRow label="Width" pointer={at("width")} value={mmText(course.width)} step={0.5} />
      <NumberRow label="Opacity of the course" pointer={at("opacity")} value={`${course.opacity} %`} step={10} />
      <NumberRow label="Offset" pointer={at("offset")} value={mmText(course.offset)} step={0.5} />
      <p className="muted mt-1 text-[12px]">
        Its joins <Own pointer={at("joins")} label="Its joins" />
      </p>
      <Options label="Its joins" pointer={at("joins")} options={JOINS} value={course.joins!} />
      <p className="muted mt-1 text-[12px]">
        Its ends <Own pointer={at("ends")} label="Its ends" />
      </p>
      <Options label="Its ends" pointer={at("ends")} options={BAND_ENDS} value={course.ends!} />
    </Decision>
  );
}

/** Width along the run: the middle line is as drawn, the top twice as wide, the foot nothing. */
export function SwellAlong() {
  const settings = useMaker();
  const { doc, course: index, asOne } = settings;
  const course: Course | undefined = doc.courses?.[index];
  // What does not bend keeps its width.
  if (!course || (course.course === "row" && course.hold !== "bend")) return null;
  const pointer = `/courses/${course.course === "row" && asOne ? "*" : index}/swell`;
  const points = course.swell ?? [];
  const toPoints = (values: number[]) =>
    values.map((value, i) => ({ at: i / (values.length - 1), width: Number((100 * (1 + value)).toFixed(1)) }));
  return (
    <Decision id="swell" label="Swell" set={swellWords(points)} pointers={[pointer]}>
      <CurvePad
        label="Width along the run"
        values={points.map((point) => point.width / 100 - 1)}
        onTry={(values) => settings.tryValue(pointer, toPoints(values))}
        onKeep={(values) => void settings.keepValue(pointer, toPoints(values))}
      />
    </Decision>
  );
}

function swellWords(points: readonly { width: number }[]): string {
  if (!points.length) return "none";
  const widths = points.map((point) => Math.round(point.width));
  return `${Math.min(...widths)} to ${Math.max(...widths)} %`;
}
