/** What an export comes to, as the server says it. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { api, type OutputId } from "@/shared/api/client";
import { useFrame, useSheetSession } from "@/table/sheet";

import type { Made, Meant } from "./asked";
import { plain } from "./Fields";

export type ExportFound = Awaited<ReturnType<typeof api.exportFacts>>;
export type FineShown = ExportFound["fine"][number];

export function useFacts(as: OutputId, meant: Meant, made: Made, wanted: boolean) {
  const session = useSheetSession();
  const { revision } = useFrame("revision");
  const asked = { ...meant, ...plain(made) };
  return useQuery({
    queryKey: ["export", session.id, revision, as, asked],
    queryFn: () => api.exportFacts(session.id, as, asked),
    placeholderData: keepPreviousData,
    retry: false,
    enabled: wanted,
  });
}
