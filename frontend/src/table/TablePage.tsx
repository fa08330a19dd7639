/** The Table: paths, the sheet, the Ticket and the Tape. */
import { useEffect } from "react";
import { useParams } from "react-router";

import { Message } from "./Message";
import { HeadStrip } from "./HeadStrip";
import { useKeys } from "./keys";
import { NoticeBar } from "./NoticeBar";
import { Paper } from "./paper/Paper";
import { PathsPanel } from "./paths/PathsPanel";
import { keepSheet } from "@/shared/lastSheet";
import { UnitContext } from "@/shared/ui/unit";
import { SendOut } from "@/sendout/SendOut";
import { DeskContext, useNewDesk, useSheetQuery, useShown } from "./sheet";
import { choosePaths, hand, useHand } from "./state";
import { Tape } from "./tape/Tape";
import { Ticket } from "./ticket/Ticket";

export function TablePage() {
  const { sheetId = "" } = useParams();
  const desk = useNewDesk(sheetId);
  const { data, error } = useSheetQuery(sheetId);
  useEffect(() => {
    keepSheet(sheetId);
    choosePaths([]);
    hand().set({ view: null, draft: [], preview: null, lit: null, single: null, places: [], measured: null });
  }, [sheetId]);
  if (error) return <Message title="This sheet cannot be opened" text={error.message} />;
  if (!data) return <Message title="Curlet" text="Opening the sheet." />;
  return (
    <DeskContext value={desk}>
      <UnitContext value={data.head.sheet.unit}>
        <Table />
      </UnitContext>
    </DeskContext>
  );
}

function Table() {
  useKeys();
  const { head } = useShown();
  const sending = useHand((state) => state.sending);
  useEffect(() => {
    document.title = `${head.sheet.name} · Curlet`;
  }, [head.sheet.name]);
  return (
    <div className="grid h-full grid-cols-[232px_1fr_300px] grid-rows-[44px_1fr_132px]">
      <HeadStrip />
      <PathsPanel />
      <main className="relative min-w-0 overflow-hidden" data-ground={head.sheet.ground_tone}>
        <Paper />
        <NoticeBar />
      </main>
      <Ticket />
      <Tape />
      {sending && <SendOut />}
    </div>
  );
}
