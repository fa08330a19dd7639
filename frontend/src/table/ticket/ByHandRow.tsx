/** Single repeats set by hand: one is chosen on the Tape or by its number, and left out, moved, turned or sized. */
import type { Intent, LegShown } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Pick } from "@/shared/ui/Pick";
import { Tick } from "@/shared/ui/Tick";
import { plural } from "@/shared/ui/words";

import { repeatKey, repeatOf, saidOf, type Which } from "../repeats";
import { rowOf } from "../rows";
import { useSheetSession } from "../sheet";
import { tableState, useTableState } from "../state";
import { useBroughtIntoView, useOpenedFor } from "./inView";
import { useRun } from "./settings";

const NUMBERS = [
  ["along", "Moved along the path", 0.5],
  ["across", "Moved across, to the right", 0.5],
  ["turn", "Turned by", 5],
  ["size", "Size", 5],
] as const;
const A = "A".charCodeAt(0);

export function ByHandRow() {
  const run = useRun();
  const row = rowOf(run);
  const chosen = useTableState((state) => (state.place?.kind === "repeat" ? state.place.key : null));
  useOpenedFor("by-hand", chosen);
  const box = useBroughtIntoView<HTMLDivElement>(chosen);
  const count = run.repeats?.length ?? 0;
  if (!row?.legs.length) return null;
  const which = chosen === null ? null : repeatOf(chosen);
  return (
    <Decision
      id="by-hand"
      label="By hand"
      set={count ? `${plural(count, run.noun.one, run.noun.many)} by ${count > 1 ? "themselves" : "itself"}` : "none"}
    >
      <div ref={box}>
        <Chooser legs={row.legs} course={row.course} which={which} />
        {which && <One key={chosen} which={which} />}
      </div>
    </Decision>
  );
}

/** Which repeat: one that is set already, or any by its leg and number. */
function Chooser({ legs, course, which }: { legs: LegShown[]; course: number; which: Which | null }) {
  const run = useRun();
  const pick = (next: Which | null) => tableState().set({ place: next && { kind: "repeat", key: repeatKey(next) } });
  const leg = legs.find((item) => item.node === which?.node) ?? legs[0]!;
  const said = run.repeats ?? [];
  return (
    <>
      {said.length > 0 && (
        <Pick
          label="Repeat set by hand"
          className="mt-1 w-full"
          value={which && said.some((item) => repeatKey(item) === repeatKey(which)) ? repeatKey(which) : ""}
          onPick={(key) => pick(key ? repeatOf(key) : null)}
        >
          <option value="">Those set by hand …</option>
          {said.map((item) => (
            <option key={repeatKey(item)} value={repeatKey(item)}>
              {nameOf(item, legs)}
              {item.left_out ? ", left out" : ""}
            </option>
          ))}
        </Pick>
      )}
      {legs.length > 1 && (
        <div className="mt-1 flex items-center justify-between gap-2">
          <span>Leg</span>
          <Pick label="Leg of the repeat" value={leg.node} onPick={(node) => pick({ course, node, number: 0 })}>
            {legs.map((item, index) => (
              <option key={`${item.node}-${index}`} value={item.node}>
                {index + 1} of {legs.length}
              </option>
            ))}
          </Pick>
        </div>
      )}
      <NumberLine
        label="Number in the leg"
        value={which ? String(which.number + 1) : ""}
        step={1}
        onCommit={(text) => {
          const number = Number(text);
          if (!Number.isInteger(number) || number < 1 || number > leg.repeats)
            return Promise.resolve(`This leg has ${leg.repeats}: enter a number from 1 to ${leg.repeats}.`);
          pick({ course, node: leg.node, number: number - 1 });
          return Promise.resolve(null);
        }}
      />
    </>
  );
}

function nameOf({ node, number }: Which, legs: LegShown[]): string {
  const leg = legs.findIndex((item) => item.node === node);
  return legs.length > 1 ? `Number ${number + 1} of leg ${leg + 1}` : `Number ${number + 1}`;
}

function One({ which }: { which: Which }) {
  const session = useSheetSession();
  const run = useRun();
  const { left_out, motif, entered, set: isSet } = saidOf(run, which);
  const { course, node, number } = which;
  type Values = Omit<Extract<Intent, { kind: "set-repeat" }>, "kind" | "run" | "course" | "node" | "number">;
  const set = (values: Values): Intent => ({ kind: "set-repeat", run: run.id, course, node, number, ...values });
  const row = run.settings.courses?.[course];
  const letters = row && "more" in row ? 1 + (row.more?.length ?? 0) : 1;
  return (
    <>
      <div className="mt-1">
        <Tick label="Left out" on={left_out} onChange={(on) => void session.command(set({ left_out: on }))} />
      </div>
      {!left_out &&
        NUMBERS.map(([key, label, step]) => (
          <NumberLine
            key={key}
            words={label}
            label={`Repeat: ${label.toLowerCase()}`}
            value={entered[key]!}
            step={step}
            onPreview={(text) => session.preview(set({ [key]: text }))}
            onCommit={async (text) => await session.entered(set({ [key]: text }))}
            onCancel={() => session.dropPreviews(true)}
          />
        ))}
      {!left_out && letters > 1 && (
        <div className="mt-1 flex items-center justify-between gap-2">
          <span>Motif</span>
          <Pick
            label="Motif of the repeat"
            value={motif ?? ""}
            onPick={(picked) => void session.command(set({ motif: picked }))}
          >
            <option value="">Its own</option>
            {Array.from({ length: letters }, (_, index) => String.fromCharCode(A + index)).map((letter) => (
              <option key={letter} value={letter}>
                {letter}
              </option>
            ))}
          </Pick>
        </div>
      )}
      {isSet && (
        <div className="mt-1.5">
          <QuietButton onClick={() => session.command(set({ plain: true }))}>Lay it as the brush has it</QuietButton>
        </div>
      )}
    </>
  );
}
