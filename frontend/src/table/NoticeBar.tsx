/** What happened on the Table, over the foot of the sheet. */
import { Said } from "@/shared/ui/Said";

import { tableState, useTableState } from "./state";

export function NoticeBar() {
  const notice = useTableState((state) => state.notice);
  return <Said within notice={notice} onClose={() => tableState().set({ notice: null })} />;
}
