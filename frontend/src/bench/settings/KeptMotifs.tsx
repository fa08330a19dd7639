/** Motifs of the Library: the artwork at a place kept there, or one of them taken from there. */
import { useQuery, useQueryClient } from "@tanstack/react-query";

import { api } from "@/shared/api/client";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Pick } from "@/shared/ui/Pick";

import { bench, type Place, useBench, useWorkbench } from "../bench";

export function KeepMotif({ place }: { place: Place }) {
  const queries = useQueryClient();
  const keep = async () => {
    const { brush, course } = bench();
    try {
      const kept = await api.keepMotif({ brush: brush!.id, course, place });
      bench().set({ notice: `“${kept.name}” is kept among the motifs in the Library.` });
      await queries.invalidateQueries({ queryKey: ["motifs"] });
    } catch (fault) {
      bench().set({ notice: (fault as Error).message });
    }
  };
  return <QuietButton onClick={keep}>Keep in the Library</QuietButton>;
}

export function TakeMotif({ place }: { place: Place }) {
  const workbench = useWorkbench();
  const brush = useBench((state) => state.brush?.id);
  const { data } = useQuery({ queryKey: ["motifs"], queryFn: api.motifs, enabled: Boolean(brush) });
  if (!data?.motifs.length) return null;
  return (
    <Pick
      label="Motif from the Library"
      className="max-w-[150px] text-[12px]"
      value=""
      onPick={(picked) => {
        const motif = picked;
        if (motif) void workbench.put((id, values) => api.useMotif(id, { ...values, place, motif }));
      }}
    >
      <option value="">From the Library …</option>
      {data.motifs.map((motif) => (
        <option key={motif.id} value={motif.id}>
          {motif.name}
        </option>
      ))}
    </Pick>
  );
}
