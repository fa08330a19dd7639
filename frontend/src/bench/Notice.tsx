/** What happened on the Bench. */
import { useMemo } from "react";

import { Said } from "@/shared/ui/Said";

import { bench, useBench } from "./bench";

export function Notice() {
  const text = useBench((state) => state.notice);
  const notice = useMemo(() => (text ? ({ tone: "fault", text } as const) : null), [text]);
  return <Said notice={notice} onClose={() => bench().set({ notice: null })} />;
}
