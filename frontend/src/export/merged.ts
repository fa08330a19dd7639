/** Settings that are changed a few at a time, some of them only once the server has read them. */
import { useCallback, useState } from "react";

/** Settings, and what changes some of them: the others stay as they are by then. */
export function useMerged<Settings extends object>(first: Settings) {
  const [settings, setSettings] = useState(first);
  const change = useCallback((values: Partial<Settings>) => setSettings((now) => ({ ...now, ...values })), []);
  return [settings, change] as const;
}

/** Of what the server has read, what was entered just now: the rest may have changed meanwhile. */
export function justEntered<Settings extends object>(read: Partial<Settings>, values: Partial<Settings>) {
  return { ...values, ...Object.fromEntries(Object.entries(read).filter(([key]) => key in values)) };
}
