/** The settings of what is worked on: the whole brush, this course, or this piece, in a maker's order. */
import { Panel } from "@/shared/ui/Panel";
import { Choice } from "@/shared/ui/Choice";

import { bench, useBench, type Whose } from "../bench";
import { WholeBrush } from "./WholeBrush";
import { ThisCourse } from "./ThisCourse";
import { ThisPiece } from "./ThisPiece";

const WHOSE: readonly (readonly [Whose, string])[] = [
  ["brush", "Whole brush"],
  ["course", "This course"],
  ["piece", "This piece"],
];

export function SettingsCard({ className }: { className: string }) {
  const whose = useBench((state) => state.whose);
  return (
    <Panel
      as="aside"
      label="Settings"
      className={`min-h-0 overflow-y-auto border-l border-base-300 bg-base-200 py-3 pr-0.5 pl-3 [scrollbar-gutter:stable] ${className}`}
    >
      <div className="rounded-box border border-base-300 bg-base-100 px-3.5 pt-2 pb-3">
        <span aria-hidden className="mx-auto mb-1.5 block size-3 rounded-full border border-base-300 bg-base-200" />
        <Choice
          label="Whose settings"
          options={WHOSE}
          value={whose}
          onChange={(picked) => bench().set({ whose: picked })}
        />
        {whose === "brush" && <WholeBrush />}
        {whose === "course" && <ThisCourse />}
        {whose === "piece" && <ThisPiece />}
      </div>
    </Panel>
  );
}
