/** A new sheet: a usual size or one by number, its scale and its unit. */
import { useState } from "react";
import { useNavigate } from "react-router";

import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import type { SheetPreset } from "@/shared/api/types";
import { Choice } from "@/shared/ui/Choice";
import { mmPer } from "@/shared/ui/unit";
import { Pick } from "@/shared/ui/Pick";

import { sideText } from "./sizes";

const UNITS = [
  ["mm", "Millimetres"],
  ["in", "Inches"],
] as const;
const WAYS = [
  ["upright", "Portrait"],
  ["wide", "Landscape"],
] as const;

export function NewSheet({ presets }: { presets: readonly SheetPreset[] }) {
  const navigate = useNavigate();
  const [name, setName] = useState("");
  const [unit, setUnit] = useState<"mm" | "in">("mm");
  const [size, setSize] = useState<[string, string]>(["297", "210"]);
  const [scale, setScale] = useState("1:1");
  const [fault, setFault] = useState<string | null>(null);
  const [width, height] = size;
  const pick = (preset: SheetPreset) => setSize([sideText(preset.width, unit), sideText(preset.height, unit)]);
  // The sheet stays as large: its sides are told in the other unit.
  const turn = (to: "mm" | "in") => {
    const told = (text: string) => (Number(text) ? sideText(Number(text) * mmPer(unit), to) : text);
    setSize([told(width), told(height)]);
    setUnit(to);
  };
  const begin = async () => {
    try {
      const { id } = await api.beginSheet({ name: name.trim() || "Sheet", width, height, scale, unit });
      void navigate(`/sheets/${id}`);
    } catch (error) {
      setFault(error instanceof Refusal ? error.message : String(error));
    }
  };
  const way = Number(width) > Number(height) ? "wide" : "upright";
  return (
    <form
      aria-label="New sheet"
      className="overflow-y-auto border-l border-base-300 bg-base-100 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <h2 className="text-[18px] font-bold">New sheet</h2>
      <Row label="Name" value={name} wide onChange={setName} />
      <Choice label="Unit" options={UNITS} value={unit} onChange={turn} />
      <Pick
        label="Usual size"
        className="mt-2 w-full"
        value=""
        onPick={(picked) => pick(presets.find((preset) => preset.name === picked)!)}
      >
        <option value="" disabled>
          A usual size …
        </option>
        {presets.map((preset) => (
          <option key={preset.name} value={preset.name}>
            {preset.name}, {sideText(preset.width, unit)} × {sideText(preset.height, unit)} {unit}
          </option>
        ))}
      </Pick>
      <Row label={`Width, ${unit}`} value={width} onChange={(text) => setSize([text, height])} />
      <Row label={`Height, ${unit}`} value={height} onChange={(text) => setSize([width, text])} />
      <Choice
        label="Orientation"
        options={WAYS}
        value={way}
        onChange={(to) => to !== way && setSize([height, width])}
      />
      <Row label="Scale" value={scale} onChange={setScale} />
      <p className="muted text-[12px]">1:4 draws 4 mm of the garment as 1 mm.</p>
      {fault && (
        <p role="alert" className="mt-2 text-error">
          {fault}
        </p>
      )}
      <button className="mt-3 w-full cursor-pointer rounded-field bg-primary px-3 py-1 font-semibold text-primary-content hover:brightness-105">
        Create
      </button>
    </form>
  );
}

interface RowProps {
  label: string;
  value: string;
  wide?: boolean;
  onChange: (text: string) => void;
}

function Row({ label, value, wide = false, onChange }: RowProps) {
  return (
    <label className="my-1.5 flex items-center justify-between gap-2">
      {label}
      <input
        className={`rounded-field border border-(--edge) bg-base-100 px-1.5 py-0.5 ${wide ? "min-w-0 flex-1" : "measure w-[86px] text-right"}`}
        value={value}
        maxLength={wide ? 110 : 64}
        autoComplete="off"
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
