/** Part of the Ticket that a pick on the sheet or the Tape is about: opened, and brought into sight. */
import { useEffect, useRef } from "react";

import { useOpenRows } from "@/shared/maker/openRows";

export function useBroughtIntoView<T extends HTMLElement>(picked: string | null) {
  const box = useRef<T>(null);
  const open = useOpenRows((state) => state.open);
  useEffect(() => {
    if (picked) box.current?.scrollIntoView({ block: "nearest" });
  }, [picked, open]);
  return box;
}

/** Opens a row of the Ticket each time that something it is about is picked. */
export function useOpenedFor(row: string, picked: string | null) {
  useEffect(() => {
    if (picked) useOpenRows.getState().show(row);
  }, [row, picked]);
}
