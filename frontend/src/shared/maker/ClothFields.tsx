/** What a cloth is: its weave, its threads and their counts. */
import { useQuery } from "@tanstack/react-query";

import { api } from "@/shared/api/client";
import type { ClothDoc } from "@/shared/api/types";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Pick } from "@/shared/ui/Pick";

import { FillField } from "./FillField";
import { shadeIn, useShades } from "./shades";

interface Props {
  value: ClothDoc;
  onPreview: (cloth: ClothDoc) => void;
  /** Change the cloth as it is then. Resolves to what was wrong, or to null. */
  onChange: (edit: (now: ClothDoc) => ClothDoc) => Promise<string | null>;
  onCancel: () => void;
}

type WeaveShown = Awaited<ReturnType<typeof api.weaves>>["weaves"][number];

/** Every weave, with its usual counts and colours. */
export function useWeaves(): WeaveShown[] {
  return useQuery({ queryKey: ["weaves"], queryFn: api.weaves, staleTime: Infinity }).data?.weaves ?? [];
}

/** A cloth as it comes; colours that somebody chose for the one before it are kept. */
export function usualCloth(weave: WeaveShown, before?: ClothDoc, old?: WeaveShown): ClothDoc {
  const chosen = before && (!old || before.warp !== old.warp || before.weft !== old.weft);
  const { warp, weft } = chosen ? before : weave;
  return { kind: "cloth", weave: weave.id, warp, weft, ends: weave.ends, picks: weave.picks, turn: before?.turn ?? 0 };
}

export function ClothFields({ value, onPreview, onChange, onCancel }: Props) {
  const weaves = useWeaves();
  const shades = useShades()?.shades ?? [];
  const now = weaves.find((item) => item.id === value.weave);
  const number = (key: "ends" | "picks" | "turn", label: string, unit: string, step: number) => (
    <NumberLine
      key={key}
      label={label}
      value={`${value[key]}${unit}`}
      step={step}
      // The server reads what is entered.
      onCommit={(text) => onChange((cloth) => ({ ...cloth, [key]: text as unknown as number }))}
      onCancel={onCancel}
    />
  );
  return (
    <>
      <Pick
        label="Weave"
        className="w-full"
        value={value.weave}
        onPick={(picked) => {
          const weave = weaves.find((item) => item.id === picked)!;
          void onChange((cloth) => usualCloth(weave, cloth, now));
        }}
      >
        {weaves.map((weave) => (
          <option key={weave.id} value={weave.id}>
            {weave.name}
          </option>
        ))}
      </Pick>
      {(["warp", "weft"] as const).slice(0, now?.threads.length ?? 1).map((thread, index) => (
        <div key={thread} className="mt-1 flex items-start justify-between gap-2">
          <span className="pt-0.5">{now?.threads[index]}</span>
          <FillField
            label={now?.threads[index] ?? ""}
            colour={shadeIn(shades, value[thread] ?? "")?.colour ?? value[thread] ?? ""}
            shade={shadeIn(shades, value[thread] ?? "")?.id ?? null}
            onPreview={(colour) => onPreview({ ...value, [thread]: colour })}
            onCommit={(colour) => onChange((cloth) => ({ ...cloth, [thread]: colour }))}
          />
        </div>
      ))}
      {(["ends", "picks"] as const)
        .slice(0, now?.counts.length ?? 0)
        .map((count, index) => number(count, now!.counts[index]!, "", 0.5))}
      {value.weave !== "colour" && number("turn", "Laid at", "°", 5)}
    </>
  );
}
