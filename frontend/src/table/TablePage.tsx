/** The Table: paths, the sheet, the Ticket and the Tape. */
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useLayoutEffect, useState } from "react";
import { Link, useParams } from "react-router";

import { Message } from "./Message";
import { HeadStrip } from "./HeadStrip";
import { useKeys } from "./keys";
import { NoticeBar } from "./NoticeBar";
import { Paper } from "./paper/Paper";
import { PathsPanel } from "./paths/PathsPanel";
import { api, Refusal } from "@/shared/api/client";
import { keepSheet } from "@/shared/lastSheet";
import { UnitContext } from "@/shared/ui/unit";
import { Export } from "@/export/Export";
import { PanelContext, SheetSessionContext, useNewSheetSession, useSheetQuery, useFrame } from "./sheet";
import { choosePaths, tableState, useTableState } from "./state";
import { Tape } from "./tape/Tape";
import { Ticket } from "./ticket/Ticket";

export function TablePage() {
  const { sheetId = "" } = useParams();
  const session = useNewSheetSession(sheetId);
  const { data, error } = useSheetQuery(sheetId);
  useLayoutEffect(() => session.connect(), [session]);
  useEffect(() => {
    keepSheet(sheetId);
    choosePaths([]);
    tableState().set({ view: null, draft: [], preview: null, lit: null, single: null, places: [], measured: null });
  }, [sheetId]);
  // A sheet that is shown stays, whatever goes wrong when it is asked for again.
  if (error && !data) return <NotShown id={sheetId} error={error} />;
  if (!data) return <Message title="Curlet" text="Opening the sheet." />;
  return (
    <SheetSessionContext value={session}>
      <UnitContext value={data.sheet.unit}>
        <Table />
      </UnitContext>
    </SheetSessionContext>
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
    await api.undo(id, sheet!.revision).catch(() => undefined);
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
        <Link className="rounded-field border border-base-300 bg-base-100 px-3 py-1 hover:border-base-content" to="/">
          All sheets
        </Link>
        {said}
      </p>
    </Message>
  );
}

function Table() {
  useKeys();
  const frame = useFrame("sheet");
  const exporting = useTableState((state) => state.exporting);
  useEffect(() => {
    document.title = `${frame.sheet.name} · Curlet`;
  }, [frame.sheet.name]);
  return (
    <div className="grid h-full grid-cols-[232px_1fr_300px] grid-rows-[44px_1fr_132px]">
      <HeadStrip />
      <PanelContext value={true}>
        <PathsPanel />
      </PanelContext>
      <main className="relative min-w-0 overflow-hidden" data-ground={frame.sheet.ground_tone}>
        <Paper />
        <NoticeBar />
      </main>
      <PanelContext value={true}>
        <Ticket />
        <Tape />
      </PanelContext>
      {exporting && <Export />}
    </div>
  );
}
