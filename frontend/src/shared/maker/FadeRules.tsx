/** How opacity changes along the run, and how soft its edges are: for the whole brush, or for one course. */
import type { BrushDoc } from "@/shared/api/types";

import { CurvePad } from "./CurvePad";
import { Decision } from "./Decision";
import { mmText, NumberRow } from "./fields";
import { Heading } from "./Heading";
import { useMaker } from "./maker";
import { QuietButton } from "./QuietButton";

type Fade = NonNullable<BrushDoc["fade"]>;

/** Fades that are given at a press: how much shows at some shares of the run. */
const USUAL: readonly (readonly [string, readonly (readonly [number, number])[]])[] = [
  ["None", []],
  ["In", [[0, 0], [0.3, 100]]],
  ["Out", [[0.7, 100], [1, 0]]],
  ["Both ends", [[0, 0], [0.25, 100], [0.75, 100], [1, 0]]],
]; // prettier-ignore
const WHOLE = Array<number>(24).fill(1);

export function FadeRow() {
  const { doc, course: index } = useMaker();
  const courses = doc.courses ?? [];
  const course = courses[index];
  return (
    <Decision
      id="fade"
      label="Fade"
      set={fadeWords(doc.fade ?? [], doc.soft?.mm ?? 0)}
      pointers={["/fade", "/soft", `/courses/${index}/fade`, `/courses/${index}/soft`]}
    >
      <FadeOf label="Opacity along the run" pointer="/fade" fade={doc.fade ?? []} />
      <NumberRow label="Soft edge" pointer="/soft" value={mmText(doc.soft)} step={0.5} />
      {courses.length > 1 && course && (
        <>
          <Heading>Course {index + 1} alone</Heading>
          <FadeOf label="Opacity along the course" pointer={`/courses/${index}/fade`} fade={course.fade ?? []} />
          <NumberRow
            label="Soft edge of the course"
            pointer={`/courses/${index}/soft`}
            value={mmText(course.soft)}
            step={0.5}
          />
        </>
      )}
    </Decision>
  );
}

function FadeOf({ label, pointer, fade }: { label: string; pointer: string; fade: Fade }) {
  const settings = useMaker();
  const toPoints = (values: number[]) =>
    values.map((value, i) => ({ at: i / (values.length - 1), opacity: Number((50 * (1 + value)).toFixed(1)) }));
  return (
    <>
      <CurvePad
        label={label}
        values={fade.length ? spread(fade) : WHOLE}
        onTry={(values) => settings.tryValue(pointer, toPoints(values))}
        onKeep={(values) => void settings.keepValue(pointer, toPoints(values))}
      />
      <div className="mt-1 flex flex-wrap gap-1" role="group" aria-label={`${label}: usual ones`}>
        {USUAL.map(([name, points]) => (
          <QuietButton
            key={name}
            onClick={() =>
              settings.keepValue(
                pointer,
                points.map(([at, opacity]) => ({ at, opacity })),
              )
            }
          >
            {name}
          </QuietButton>
        ))}
      </div>
    </>
  );
}

/** The curve at even steps, −1 for nothing to 1 for all. */
function spread(fade: Fade): number[] {
  return WHOLE.map((_, i) => {
    const at = i / (WHOLE.length - 1);
    const next = fade.findIndex((point) => point.at >= at);
    const [a, b] = [fade[Math.max(next - 1, 0)]!, fade[next < 0 ? fade.length - 1 : next]!];
    const share = next < 0 ? 1 : b.at > a.at ? (at - a.at) / (b.at - a.at) : 1;
    return (a.opacity + share * (b.opacity - a.opacity)) / 50 - 1;
  });
}

function fadeWords(fade: Fade, soft: number): string {
  const shown = fade.map((point) => Math.round(point.opacity));
  const words = [
    shown.length > 0 && `${Math.min(...shown)} to ${Math.max(...shown)} %`,
    soft > 0 && `soft ${mmText({ mm: soft })}`,
  ];
  return words.filter(Boolean).join(", ") || "none";
}
