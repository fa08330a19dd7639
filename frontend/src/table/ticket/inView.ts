/** Part of the Ticket that a pick on the sheet or the Tape is about: brought into sight. */
import { useEffect, useRef } from "react";

export function useBroughtIntoView<T extends HTMLElement>(picked: string | null) {
  const box = useRef<T>(null);
  useEffect(() => {
    if (picked) box.current?.scrollIntoView({ block: "nearest" });
  }, [picked]);
  return box;
}
