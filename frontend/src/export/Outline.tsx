/** The clean outline for a cutter: how it is made, what it has, and how it looks. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api, type OutlineAsked } from "@/shared/api/client";
import { ChoiceLine } from "@/shared/ui/ChoiceLine";
import { NumberLine } from "@/shared/ui/NumberLine";
import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";
import { watch, workWords, type WorkUnderWay } from "@/shared/work";
import { useFrame, useSheetSession } from "@/table/sheet";

import type { Meant } from "./asked";
import { justEntered } from "./merged";

const CORNERS = [
  ["true", "Round"],
  ["false", "Sharp"],
] as const;
const CURVES = [
  ["true", "Splines"],
  ["false", "Polylines"],
] as const;
const SIZES = [
  ["sheet", "On the sheet"],
  ["garment", "On the garment"],
] as const;
const NUMBERS = [
  ["gaps", "Gaps closed up to", 0.5],
  ["grow", "Grown by", 0.5],
  ["least", "Left out below", 0.1],
  ["within", "As near as", 0.01],
] as const;

export const USUAL: OutlineAsked = {
  gaps: "0 mm",
  grow: "0 mm",
  least: "0.02 mm²",
  within: "0.05 mm",
  round: true,
  splines: false,
  size: "sheet",
};

interface Props {
  meant: Meant;
  asked: OutlineAsked;
  onChange: (values: Partial<OutlineAsked>) => void;
}

export function OutlineFields({ meant, asked, dxf, onChange }: Props & { dxf: boolean }) {
  const session = useSheetSession();
  const { sheet } = useFrame("sheet");
  const change = async (values: Partial<OutlineAsked>) => {
    const next = { ...asked, ...values };
    try {
      onChange(justEntered<OutlineAsked>(await api.outlineNumbers(session.id, { ...meant, ...next }), values));
      return null;
    } catch (error) {
      return (error as Error).message;
    }
  };
  return (
    <div className="mt-2">
      {NUMBERS.map(([key, label, step]) => (
        <NumberLine
          key={key}
          label={label}
          value={asked[key]}
          step={step}
          onCommit={(entered) => change({ [key]: entered })}
        />
      ))}
      <ChoiceLine
        words="Corners"
        label="Corners of what is grown"
        options={CORNERS}
        value={String(asked.round) as "true" | "false"}
        onChange={(round) => onChange({ round: round === "true" })}
      />
      {sheet.factor !== 1 && (
        <ChoiceLine
          words="As large as"
          label="As large as"
          options={SIZES}
          value={asked.size}
          onChange={(size) => onChange({ size })}
        />
      )}
      {dxf && (
        <ChoiceLine
          words="Curves"
          label="Curves"
          options={CURVES}
          value={String(asked.splines) as "true" | "false"}
          onChange={(splines) => onChange({ splines: splines === "true" })}
        />
      )}
    </div>
  );
}

/** An outline that is being made, or is there. */
export function useOutline({ meant, asked, wanted }: Omit<Props, "onChange"> & { wanted: boolean }) {
  const session = useSheetSession();
  const { revision } = useFrame("revision");
  const [work, setWork] = useState<WorkUnderWay | null>(null);
  const { data, error } = useQuery({
    queryKey: ["outline", session.id, revision, meant, asked],
    queryFn: ({ signal }) => watch((named) => api.outline(session.id, { ...meant, ...asked }, named, signal), setWork),
    retry: false,
    enabled: wanted,
  });
  return { outline: data, error, work };
}

type Made = ReturnType<typeof useOutline>;

export function OutlineFacts({ outline, error, work }: Made) {
  const { bare, text } = useLength();
  if (error) return <p role="alert">{error.message}</p>;
  if (!outline)
    return (
      <p role="status" className="mt-3 flex items-center justify-between gap-2">
        {work ? workWords(work) : "Making the outline …"}
        {work && (
          <button className="cursor-pointer rounded-field border border-(--edge) px-2" onClick={work.stop}>
            Stop
          </button>
        )}
      </p>
    );
  const [width, height] = [outline.width * outline.larger, outline.height * outline.larger];
  const parts = [
    plural(outline.shapes, "shape"),
    outline.holes ? plural(outline.holes, "hole") : null,
    plural(outline.nodes, "node"),
  ];
  return (
    <p className="mt-3">
      <span className="measure">{`${bare(width, 1)} × ${text(height, 1)}`}</span>
      <br />
      {parts.filter(Boolean).join(", ")}
      <br />
      {text(outline.length, 0)} to cut
    </p>
  );
}

export function OutlinePicture({ outline }: Pick<Made, "outline">) {
  const { sheet } = useFrame("sheet");
  if (!outline) return null;
  const { left, top, width, height } = outline;
  const room = 0.05 * Math.max(width, height);
  return (
    <svg
      role="img"
      aria-label={`The outline of ${sheet.name}`}
      data-testid="outline"
      className="max-h-[420px] w-full"
      viewBox={[left - room, top - room, width + 2 * room, height + 2 * room].join(" ")}
    >
      <path
        d={outline.d}
        fill="currentColor"
        fillOpacity={0.12}
        stroke="currentColor"
        strokeWidth={1.2}
        vectorEffect="non-scaling-stroke"
        fillRule="evenodd"
      />
    </svg>
  );
}
