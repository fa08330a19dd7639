/** The run's brush drawn straight, with its own settings. */
import type { RunShown } from "@/shared/api/types";

import { Strip } from "../paths/Strip";
import { useSheetSession } from "../sheet";

export function RunStrip({ run }: { run: RunShown }) {
  const session = useSheetSession();
  return <Strip src={`/api/sheets/${session.id}/runs/${run.id}/strip.svg?key=${run.key}`} />;
}
