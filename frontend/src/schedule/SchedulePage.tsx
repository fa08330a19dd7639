/** The schedule: what every run of a sheet comes to, to look through, print and keep. */
import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { CHOICES } from "@/shared/api/choices";
import { type Allowed, schedule, type ScheduleFile } from "@/shared/api/schedule";
import { useSaving } from "@/shared/saving";
import { useTitle } from "@/shared/title";
import { Choice } from "@/shared/ui/Choice";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Pick } from "@/shared/ui/Pick";
import { UnitContext } from "@/shared/ui/unit";
import { workWords } from "@/shared/work";

import { ScheduleTable } from "./ScheduleTable";

const USUAL: Allowed = { waste: "15 %", ends: "15 mm" };
const PAPERS = CHOICES.papers.filter(({ id }) => id !== "own");
const FILES: (readonly [ScheduleFile, string])[] = [
  ["schedule.csv", "Save as CSV"],
  ["schedule.pdf", "Save as PDF"],
  ["work-page.pdf", "Work page"],
];
const BUTTON = "cursor-pointer rounded-field px-2 py-1 hover:bg-white/10";

export function SchedulePage() {
  const { sheetId = "" } = useParams();
  const queries = useQueryClient();
  const [allowed, setAllowed] = useState(USUAL);
  const [by, setBy] = useState("run");
  const [paper, setPaper] = useState("a4");
  const saving = useSaving();
  const { data, error } = useQuery({
    queryKey: ["schedule", sheetId, allowed],
    queryFn: () => schedule.of(sheetId, allowed),
    staleTime: 0,
    placeholderData: keepPreviousData,
  });
  useTitle(data ? `Schedule of ${data.sheet}` : "Schedule");
  const addressOf = (file: ScheduleFile) =>
    schedule.address(sheetId, file, { ...allowed, ...(file === "schedule.csv" ? { by } : { paper }) });
  /** Take an allowance as the server reads it, or say what it says against it. */
  const enter = async (values: Partial<Allowed>) => {
    const next = { ...allowed, ...values };
    try {
      queries.setQueryData(["schedule", sheetId, next], await schedule.of(sheetId, next));
      // The other one may have changed meanwhile.
      setAllowed((now) => ({ ...now, ...values }));
      return null;
    } catch (caught) {
      return (caught as Error).message;
    }
  };
  const table = data?.tables.find((each) => each.by === by);
  return (
    <div className="grid h-full grid-rows-[44px_auto_1fr] print:block">
      <header className="head flex items-center gap-4 bg-neutral px-3.5 text-neutral-content print:hidden">
        <Link className={BUTTON} to={`/sheets/${sheetId}`}>
          Back to the sheet
        </Link>
        <h1 className="truncate font-bold">{data ? `Schedule of ${data.sheet}` : "Schedule"}</h1>
        <span className="flex-1" />
        {FILES.map(([file, words]) => (
          <button
            key={file}
            className={BUTTON}
            disabled={saving.address !== null}
            onClick={() => void saving.save(addressOf(file))}
          >
            {saving.address === addressOf(file) ? "Making it …" : words}
          </button>
        ))}
        <button className={BUTTON} onClick={() => window.print()}>
          Print
        </button>
      </header>
      <section
        aria-label="How it is reckoned"
        className="flex flex-wrap items-center gap-x-6 gap-y-1 border-b border-base-300 bg-base-100 px-4 py-2 print:hidden"
      >
        <Choice
          label="Lines"
          options={data?.tables.map(({ by: key, name }) => [key, `By ${name.toLowerCase()}`] as const) ?? []}
          value={by}
          onChange={setBy}
        />
        <UnitContext value={data?.unit ?? "mm"}>
          <NumberLine
            label="Allowance for thread"
            value={data?.entered.waste ?? allowed.waste}
            step={1}
            onCommit={(waste) => enter({ waste })}
          />
          <NumberLine
            label="At each cut end"
            value={data?.entered.ends ?? allowed.ends}
            step={1}
            onCommit={(ends) => enter({ ends })}
          />
        </UnitContext>
        <label className="flex items-center gap-2">
          Paper
          <Pick label="Paper" value={paper} onPick={setPaper}>
            {PAPERS.map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </Pick>
        </label>
        <p role="status" className="flex items-center gap-3">
          {saving.work && (
            <>
              {workWords(saving.work)}
              <button
                className="cursor-pointer rounded-field border border-(--edge) px-2 py-0.5 hover:border-base-content"
                onClick={saving.work.stop}
              >
                Stop
              </button>
            </>
          )}
        </p>
        {(saving.said || error) && (
          <p role="alert" className="text-error">
            {saving.said || error!.message}
          </p>
        )}
      </section>
      <main className="min-h-0 overflow-auto px-4 pb-4 print:overflow-visible">
        {data && table && (
          <>
            <h2 className="hidden text-[18px] font-bold print:block">Schedule of {data.sheet}</h2>
            <ScheduleTable key={by} table={table} sheet={sheetId} />
            <ul className="muted mt-3 max-w-[90ch] text-[12px]">
              {data.notes.map((note) => (
                <li key={note}>{note}</li>
              ))}
            </ul>
          </>
        )}
      </main>
    </div>
  );
}
