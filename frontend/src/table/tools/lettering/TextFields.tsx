/** What lettering is set by: words, font, numbers, alignment. Used before it is written and while it is text. */
import { useQuery, useQueryClient } from "@tanstack/react-query";

import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import type { FontShown } from "@/shared/api/types";
import { Choice } from "@/shared/ui/Choice";
import { FileButton } from "@/shared/ui/FileButton";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Tick } from "@/shared/ui/Tick";
import { Pick } from "@/shared/ui/Pick";

import { tableState, type Writing } from "../../state";

const ALIGNS = [
  ["left", "Left"],
  ["centre", "Centred"],
  ["right", "Right"],
] as const;

const NUMBERS: readonly [string, string, string, number][] = [
  ["caps", "Cap height", "20 mm", 1],
  ["spacing", "Letter spacing", "0 %", 1],
  ["lines", "Line spacing", "160 %", 5],
  ["slant", "Slant", "0°", 1],
  ["bold", "Boldness", "0 mm", 0.1],
];
const ON_LINES: typeof NUMBERS = [["turn", "Turned by", "0°", 1]];
const ON_PATH: typeof NUMBERS = [
  ["shift", "Start along the path", "0 mm", 1],
  ["rise", "Off the path", "0 mm", 1],
];

export type Change = Partial<Omit<Writing, "numbers">> & { numbers?: Record<string, string> };

interface Props {
  value: Writing;
  onPath: boolean;
  onPreview: (change: Change) => void;
  /** Resolves to what was wrong, or to null. */
  onChange: (change: Change) => Promise<string | null>;
  onCancel: () => void;
}

export function useFonts(): FontShown[] {
  return useQuery({ queryKey: ["fonts"], queryFn: api.fonts, staleTime: Infinity }).data?.fonts ?? [];
}

export function TextFields({ value, onPath, onPreview, onChange, onCancel }: Props) {
  const single = useFonts().find((font) => font.id === value.font)?.single_line ?? false;
  const numbers = [...NUMBERS, ...(onPath ? ON_PATH : ON_LINES)].filter(([name]) => !(single && name === "bold"));
  return (
    <>
      <textarea
        aria-label="Text"
        rows={2}
        maxLength={2000}
        className="w-full rounded-field border border-(--edge) bg-base-100 px-1.5 py-1"
        key={value.text}
        defaultValue={value.text}
        onChange={(event) => onPreview({ text: event.target.value })}
        onBlur={(event) => {
          if (event.target.value !== value.text) void onChange({ text: event.target.value });
        }}
        onKeyDown={(event) => event.stopPropagation()}
      />
      <FontChoice value={value.font} onChange={(font) => void onChange({ font })} />
      {numbers.map(([name, label, plain, step]) => (
        <NumberLine
          key={name}
          label={label}
          value={value.numbers[name] ?? plain}
          step={step}
          onPreview={(text) => onPreview({ numbers: { [name]: text } })}
          onCommit={(text) => onChange({ numbers: { [name]: text } })}
          onCancel={onCancel}
        />
      ))}
      <div className="mt-1.5">
        <Choice label="Alignment" options={ALIGNS} value={value.align} onChange={(align) => void onChange({ align })} />
      </div>
      {!single && (
        <Tick
          label="Letters that overlap become one outline"
          on={value.unite}
          onChange={(unite) => void onChange({ unite })}
        />
      )}
    </>
  );
}

function FontChoice({ value, onChange }: { value: string; onChange: (font: string) => void }) {
  const fonts = useFonts();
  const groups: [string, FontShown[]][] = [
    ["Outlined", fonts.filter((font) => !font.single_line && !font.own)],
    ["One line, as a pen writes", fonts.filter((font) => font.single_line)],
    ["Your own", fonts.filter((font) => font.own)],
  ];
  return (
    <div className="mt-1 flex items-center gap-1">
      <Pick label="Font" className="min-w-0 flex-1" value={value} onPick={(picked) => onChange(picked)}>
        {groups.map(
          ([name, those]) =>
            those.length > 0 && (
              <optgroup key={name} label={name}>
                {those.map((font) => (
                  <option key={font.id} value={font.id}>
                    {font.name}
                  </option>
                ))}
              </optgroup>
            ),
        )}
      </Pick>
      <BringFont onBrought={onChange} />
    </div>
  );
}

/** A font file of one's own. */
function BringFont({ onBrought }: { onBrought: (font: string) => void }) {
  const queries = useQueryClient();
  const bring = async (file: File) => {
    try {
      const font = await api.bringFont(file);
      await queries.refetchQueries({ queryKey: ["fonts"] });
      onBrought(font.id);
    } catch (error) {
      tableState().set({ notice: { tone: "fault", text: error instanceof Refusal ? error.message : String(error) } });
    }
  };
  return (
    <FileButton label="Font file to add" accept=".ttf,.otf,.woff,.woff2" onFile={(file) => void bring(file)}>
      Add a font
    </FileButton>
  );
}
