/** The brushes or motifs that cannot be read, over those that can. */
import { useQuery, useQueryClient } from "@tanstack/react-query";

import { api } from "@/shared/api/client";
import { Unreadable } from "@/shared/ui/Unreadable";

export function UnreadableShelf({ kind, onNotice }: { kind: "brush" | "motif"; onNotice: (text: string) => void }) {
  const queries = useQueryClient();
  const { data } = useQuery({ queryKey: ["unreadable"], queryFn: api.unreadable, staleTime: 0 });
  const attempt = async (work: () => Promise<unknown>) => {
    try {
      await work();
    } catch (error) {
      onNotice((error as Error).message);
    }
    await queries.invalidateQueries();
  };
  return (
    <Unreadable
      rows={data?.rows.filter((row) => row.kind === kind) ?? []}
      onRemove={(row) => void attempt(() => api.removeFromLibrary(kind, row.id))}
      onRestore={(row) => void attempt(() => api.restoreBrush(row.id))}
    />
  );
}
