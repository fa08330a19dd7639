/** Part of the Ticket that a pick on the sheet or the Tape is about: opened, and brought into sight. */
import { useEffect, useRef } from "react";

import { useOpenRows } from "@/shared/maker/openRows";

export function useBroughtIntoView<T extends HTMLElement>(picked: string | null) {
  const box = useRef<T>(null);
  const open = useOpenRows((state) => state.open);
  // Once for each pick, as soon as its row is open: not when another row is opened later.
  const brought = useRef<string | null>(null);
  useEffect(() => {
    if (picked && picked !== brought.current) {
      if (!box.current) return;
      box.current.scrollIntoView({ block: "nearest" });
    }
    brought.current = picked;
  }, [picked, open]);
  return box;
}

/** Opens a row of the Ticket each time that something it is about is picked. */
export function useOpenedFor(row: string, picked: string | null) {
  useEffect(() => {
    if (picked) useOpenRows.getState().show(row);
  }, [row, picked]);
}
