/** The Table: paths, the sheet, the Ticket and the Tape. */
import { useQueryClient } from "@tanstack/react-query";
import { Suspense, useEffect, useLayoutEffect, useState } from "react";
import { Link, useLocation, useParams } from "react-router";
import { useShallow } from "zustand/react/shallow";

import { Message } from "./Message";
import { HeadStrip } from "./HeadStrip";
import { useKeys } from "./keys";
import { NoticeBar } from "./NoticeBar";
import { Paper } from "./paper/Paper";
import { PathsPanel } from "./paths/PathsPanel";
import { announce } from "@/shared/announce";
import { api } from "@/shared/api/client";
import { isUnreached, Refusal } from "@/shared/api/request";
import { keepSheet } from "@/shared/lastSheet";
import { later, whenIdle } from "@/shared/later";
import { useTitle } from "@/shared/title";
import { Parts, useParts } from "@/shared/ui/Parts";
import { usePanelKeys } from "@/shared/ui/Panel";
import { SKIP } from "@/shared/ui/stops";
import { UnitContext } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";
import { watch, workWords } from "@/shared/work";
import {
  PanelContext,
  SheetSessionContext,
  useFrame,
  useNewSheetSession,
  useSheetQuery,
  useSheetSession,
} from "./sheet";
import { choosePaths, tableState, useTableState } from "./state";
import { useGuide } from "./guide/guide";
import { Tape } from "./tape/Tape";
import { Ticket } from "./ticket/Ticket";
import { PAPER } from "./view";

const Export = later(() => import("@/export/Export").then((room) => room.Export));
const Guide = later(() => import("./guide/Guide").then((room) => room.Guide));
const KeyList = later(() => import("./KeyList").then((room) => room.KeyList));
const LATER = [Export, Guide, KeyList];

/** What a link to a sheet may say: which paths are to be chosen. */
interface Led {
  choose?: string[];
}

export function TablePage() {
  const { sheetId = "" } = useParams();
  const { state } = useLocation();
  const session = useNewSheetSession(sheetId);
  const { data, error } = useSheetQuery(sheetId);
  useLayoutEffect(() => session.connect(), [session]);
  useEffect(() => {
    keepSheet(sheetId);
    // Another page may have led here to some paths.
    choosePaths((state as Led | null)?.choose ?? []);
    tableState().set({ view: null, draft: [], preview: null, lit: null, single: null, places: [], measured: null });
    // What is chosen later is not what was led to.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [sheetId]);
  // A sheet that is shown stays, whatever goes wrong when it is asked for again.
  if (!data && isUnreached(error)) return <Away />;
  if (error && !data) return <NotShown id={sheetId} error={error} />;
  if (!data) return <Opening />;
  return (
    <SheetSessionContext value={session}>
      <UnitContext value={data.sheet.unit}>
        <Table />
      </UnitContext>
    </SheetSessionContext>
  );
}

/** While the server is away the page goes on asking, and shows the sheet once it is back. */
function Away() {
  useTitle("Not reached");
  return (
    <Message
      title="Curlet cannot be reached"
      text="Its server may be starting, or may have been stopped. This page goes on trying, and shows the sheet once it is there. Nothing that was kept is lost."
    />
  );
}

/** A large sheet says how far it is; there is a way back meanwhile. */
function Opening() {
  const work = useTableState((state) => state.work);
  return (
    <Message title="Curlet" text={work?.doing ? `Opening the sheet: ${workWords(work)}.` : "Opening the sheet."}>
      {work && (
        <p className="mt-3">
          <Link className="rounded-field border border-(--edge) bg-base-100 px-3 py-1 hover:border-base-content" to="/">
            All sheets
          </Link>
        </p>
      )}
    </Message>
  );
}

/** A sheet that cannot be shown can be taken back, step by step, to where it could. */
function NotShown({ id, error }: { id: string; error: Error }) {
  const queries = useQueryClient();
  const [said, setSaid] = useState("");
  const sheet = error instanceof Refusal ? error.sheet : null;
  const undo = async () => {
    setSaid("Undoing …");
    // What cannot be shown even then says so when it is opened again.
    await watch(
      (work) => api.undo(id, sheet!.revision, work),
      (work) => work?.doing && setSaid(workWords(work)),
    ).catch(() => undefined);
    await queries.refetchQueries({ queryKey: ["sheet", id] });
    setSaid("");
  };
  return (
    <Message title="This sheet cannot be opened" text={error.message}>
      <p className="mt-3 flex gap-2" aria-live="polite">
        {sheet?.undo && (
          <button
            className="cursor-pointer rounded-field bg-primary px-3 py-1 font-semibold text-primary-content"
            onClick={() => void undo()}
          >
            Undo: {sheet.undo}
          </button>
        )}
        <Link className="rounded-field border border-(--edge) bg-base-100 px-3 py-1 hover:border-base-content" to="/">
          All sheets
        </Link>
        {said}
      </p>
    </Message>
  );
}

const PARTS = [
  ["paths", "Paths and brushes"],
  ["sheet", "Sheet"],
  ["ticket", "Ticket"],
  ["tape", "Tape"],
] as const;
type Part = (typeof PARTS)[number][0];

function Table() {
  useKeys();
  usePanelKeys();
  useChosenAnnounced();
  const { sheet } = useFrame("sheet");
  const { exporting, keyList } = useTableState(useShallow(({ exporting, keyList }) => ({ exporting, keyList })));
  const guided = useGuide((state) => state.step !== null);
  useEffect(() => whenIdle(() => LATER.forEach((view) => view.fetch())), []);
  const { part, setPart, only } = useParts<Part>("sheet");
  useTitle(sheet.name);
  return (
    <div className="grid h-full grid-cols-[232px_minmax(0,1fr)_300px] grid-rows-[44px_minmax(0,1fr)_auto] max-[899px]:grid-cols-1 max-[899px]:grid-rows-[44px_36px_minmax(0,1fr)]">
      <a href={`#${PAPER}`} className={SKIP}>
        Skip to the sheet
      </a>
      <HeadStrip />
      <Parts label="Parts of the Table" options={PARTS} part={part} onChange={setPart} />
      <PanelContext value={true}>
        <PathsPanel className={only("paths")} />
      </PanelContext>
      <main className={`relative min-w-0 overflow-hidden ${only("sheet")}`} data-background={sheet.background_tone}>
        <h1 className="sr-only">{sheet.name}</h1>
        <Paper />
        <PanelContext value={true}>
          <Suspense>{guided && <Guide />}</Suspense>
        </PanelContext>
        <NoticeBar />
      </main>
      <PanelContext value={true}>
        <Ticket className={only("ticket")} />
        <Tape className={only("tape")} />
      </PanelContext>
      <Suspense>{exporting && <Export />}</Suspense>
      <Suspense>{keyList && <KeyList />}</Suspense>
    </div>
  );
}

/** What is chosen is spoken: on the sheet nothing has the focus that would be. */
function useChosenAnnounced() {
  const chosen = useTableState((state) => state.chosen);
  const session = useSheetSession();
  useEffect(() => {
    if (!chosen.length) return;
    const name = session.frame.paths.find((path) => path.id === chosen.at(-1))?.name;
    announce(chosen.length === 1 ? `${name} chosen` : `${plural(chosen.length, "path")} chosen`);
  }, [chosen, session]);
}
