/** What a cloth is: its weave, its threads and their counts. */
import { useQuery } from "@tanstack/react-query";

import { api } from "@/shared/api/client";
import type { ClothDoc } from "@/shared/api/types";
import { ColourField } from "@/shared/ui/ColourField";
import { NumberLine } from "@/shared/ui/NumberLine";

interface Props {
  value: ClothDoc;
  onPreview: (cloth: ClothDoc) => void;
  /** Resolves to what was wrong, or to null. */
  onChange: (cloth: ClothDoc) => Promise<string | null>;
  onCancel: () => void;
}

/** Weaves with two threads. */
const WOVEN = ["plain", "twill", "denim", "canvas"];

export function ClothFields({ value, onPreview, onChange, onCancel }: Props) {
  const weaves = useQuery({ queryKey: ["weaves"], queryFn: api.weaves, staleTime: Infinity }).data?.weaves ?? [];
  const woven = WOVEN.includes(value.weave ?? "");
  const number = (key: "ends" | "picks" | "turn", label: string, unit: string, step: number) => (
    <NumberLine key={key}
        label={label}
        value={`${value[key]}${unit}`}
        step={step}
        // The server reads what is typed.
        onCommit={(text) => onChange({ ...value, [key]: text as unknown as number })}
        onCancel={onCancel}
      />
  );
  return (
    <>
      <select
        aria-label="Weave"
        className="w-full cursor-pointer rounded-field border border-base-300 bg-base-100 px-1.5 py-1"
        value={value.weave}
        onChange={(event) => {
          const weave = weaves.find((item) => item.id === event.target.value)!;
          void onChange({ ...value, weave: weave.id, ends: weave.ends, picks: weave.picks });
        }}
      >
        {weaves.map((weave) => (
          <option key={weave.id} value={weave.id}>
            {weave.name}
          </option>
        ))}
      </select>
      <div className="mt-1">
        <ColourField
          label={woven ? "Warp" : "Colour of the cloth"}
          value={value.warp ?? ""}
          onPreview={(warp) => onPreview({ ...value, warp })}
          onCommit={(warp) => onChange({ ...value, warp })}
        />
      </div>
      {woven && (
        <div className="mt-1">
          <ColourField
            label="Weft"
            value={value.weft ?? ""}
            onPreview={(weft) => onPreview({ ...value, weft })}
            onCommit={(weft) => onChange({ ...value, weft })}
          />
        </div>
      )}
      {woven && number("ends", "Ends to the cm", "", 1)}
      {woven && number("picks", "Picks to the cm", "", 1)}
      {value.weave === "knit" && number("ends", "Wales to the cm", "", 0.5)}
      {value.weave === "knit" && number("picks", "Courses to the cm", "", 0.5)}
      {value.weave !== "colour" && number("turn", "Laid at", "°", 5)}
    </>
  );
}
