/** Single repeats set by hand: one is chosen on the Tape or by its number, and left out, moved, turned or sized. */
import { useQuery } from "@tanstack/react-query";

import { api } from "@/shared/api/client";
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
const FROM_LIBRARY = "library ";

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

type Said = ReturnType<typeof saidOf>;

/** Its own motif, that of another letter of its row, or a copy of one in the Library. */
function MotifPick({ said, give }: { said: Said; give: (values: { motif: string } | { brought: string }) => void }) {
  const run = useRun();
  const { data } = useQuery({ queryKey: ["motifs"], queryFn: api.motifs });
  const row = run.settings.courses?.[said.course];
  const letters = row && "more" in row ? 1 + (row.more?.length ?? 0) : 1;
  const kept = data?.motifs ?? [];
  const gone = said.brought !== null && !kept.some((motif) => motif.id === said.brought);
  if (letters === 1 && !kept.length && !said.brought) return null;
  return (
    <div className="mt-1 flex items-center justify-between gap-2">
      <span>Motif</span>
      <Pick
        label="Motif of the repeat"
        className="min-w-0 max-w-[170px]"
        value={said.brought ? FROM_LIBRARY + said.brought : (said.motif ?? "")}
        onPick={(picked) =>
          give(picked.startsWith(FROM_LIBRARY) ? { brought: picked.slice(FROM_LIBRARY.length) } : { motif: picked })
        }
      >
        <option value="">Its own</option>
        {letters > 1 &&
          Array.from({ length: letters }, (_, index) => String.fromCharCode(A + index)).map((letter) => (
            <option key={letter} value={letter}>
              {letter}
            </option>
          ))}
        {gone && (
          <option value={FROM_LIBRARY + said.brought} disabled>
            {said.brought_name}
          </option>
        )}
        {kept.length > 0 && (
          <optgroup label="From the Library">
            {kept.map((motif) => (
              <option key={motif.id} value={FROM_LIBRARY + motif.id}>
                {motif.name}
              </option>
            ))}
          </optgroup>
        )}
      </Pick>
    </div>
  );
}

function One({ which }: { which: Which }) {
  const session = useSheetSession();
  const run = useRun();
  const said = saidOf(run, which);
  const { left_out, entered, set: isSet } = said;
  const { course, node, number } = which;
  type Values = Omit<Extract<Intent, { kind: "set-repeat" }>, "kind" | "run" | "course" | "node" | "number">;
  const set = (values: Values): Intent => ({ kind: "set-repeat", run: run.id, course, node, number, ...values });
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
      {!left_out && <MotifPick said={said} give={(values) => void session.command(set(values))} />}
      {isSet && (
        <div className="mt-1.5">
          <QuietButton onClick={() => session.command(set({ plain: true }))}>Lay it as the brush has it</QuietButton>
        </div>
      )}
    </>
  );
}
