/** How the files are made: each what it holds, how it looks, and how it is written. */
import { useQuery } from "@tanstack/react-query";

import { CHOICES } from "@/shared/api/choices";
import { api, type OutputId } from "@/shared/api/client";
import { ChoiceLine } from "@/shared/ui/ChoiceLine";
import { ColourField } from "@/shared/ui/ColourField";
import { NumberLine } from "@/shared/ui/NumberLine";
import { PickLine } from "@/shared/ui/PickLine";
import { Tick } from "@/shared/ui/Tick";
import { plural } from "@/shared/ui/words";
import { useFrame, useSheetSession } from "@/table/sheet";

import { goesBy, hasPages, isWhole, type Made, type Meant } from "./asked";
import { justEntered } from "./merged";

interface Props {
  as: OutputId;
  meant: Meant;
  made: Made;
  onChange: (values: Partial<Made>) => void;
}

const SIZES = [
  ["sheet", "On the sheet"],
  ["garment", "On the garment"],
] as const;
const PAPER = "#ffffff";
const NUMBERS = [
  ["ppi", "Pixels per inch", 50],
  ["quality", "Quality", 5],
] as const;

export function Fields(props: Props) {
  const { as, made, onChange } = props;
  const { sheet, callouts } = useFrame("sheet", "callouts");
  const enter = useEntered(props);
  return (
    <>
      <Files {...props} />
      {isWhole(props.meant) && <OtherSheets {...props} />}
      {NUMBERS.filter(([key]) => goesBy(as, key) && !hasPages(as)).map(([key, label, step]) => (
        <NumberLine
          key={key}
          label={label}
          value={made[key]}
          step={step}
          onCommit={(entered) => enter({ [key]: entered })}
        />
      ))}
      {goesBy(as, "paper") && (
        <PickLine
          label="Paper"
          value={made.paper}
          onPick={(paper) => onChange({ paper: paper as Made["paper"] })}
          options={CHOICES.papers}
        />
      )}
      {goesBy(as, "paper") && made.paper !== "own" && (
        <NumberLine
          label="Overlap of the sheets"
          value={made.overlap}
          step={1}
          onCommit={(overlap) => enter({ overlap })}
        />
      )}
      {goesBy(as, "lines") && (
        <PickLine
          label="Lines"
          value={made.lines}
          onPick={(lines) => onChange({ lines: lines as Made["lines"] })}
          options={CHOICES.lines}
        />
      )}
      {goesBy(as, "curves") && (
        <PickLine
          label="Curves"
          value={made.curves}
          onPick={(curves) => onChange({ curves: curves as Made["curves"] })}
          options={CHOICES.curves}
        />
      )}
      {goesBy(as, "larger") && sheet.factor !== 1 && (
        <ChoiceLine
          words="As large as"
          label="As large as"
          options={SIZES}
          value={made.size}
          onChange={(size) => onChange({ size })}
        />
      )}
      {as !== "dxf" && <Background made={made} onChange={onChange} />}
      {as !== "dxf" && (
        <PickLine
          label="Colours"
          value={made.colours}
          onPick={(colours) => onChange({ colours: colours as Made["colours"] })}
          options={CHOICES.colours}
        />
      )}
      <Tick label="Trimmed to the artwork" on={made.trimmed} onChange={(trimmed) => onChange({ trimmed })} />
      {made.trimmed && (
        <NumberLine label="Margin, on paper" value={made.margin} step={1} onCommit={(margin) => enter({ margin })} />
      )}
      {callouts.length > 0 && (
        <Tick label="With call-outs" on={made.callouts} onChange={(on) => onChange({ callouts: on })} />
      )}
    </>
  );
}

/** Take what was entered as the server reads it, or say what it says against it. */
function useEntered({ as, meant, made, onChange }: Props) {
  const session = useSheetSession();
  return async (values: Partial<Pick<Made, "ppi" | "quality" | "overlap" | "margin">>) => {
    const next = { ...made, ...values };
    try {
      const { entered } = await api.exportFacts(session.id, as, { ...meant, ...plain(next) });
      onChange(justEntered<Made>(entered, values));
      return null;
    } catch (error) {
      return (error as Error).message;
    }
  };
}

/** Without what stands for nothing. */
export const plain = ({ colourway, ...made }: Made) => ({ ...made, ...(colourway && { colourway }) });

/** Which files there are, or pages, and in which colourway. */
function Files({ as, made, onChange }: Props) {
  const { colourways } = useFrame("colourways");
  const noun = hasPages(as) ? "Pages" : "Files";
  const each = CHOICES.each.filter(({ id }) => id !== "colourway" || colourways.length > 1);
  return (
    <>
      <PickLine
        label={noun}
        value={made.each}
        onPick={(next) => onChange({ each: next as Made["each"] })}
        options={each}
      />
      {colourways.length > 1 && made.each !== "colourway" && (
        <PickLine
          label="Colourway"
          value={made.colourway}
          onPick={(colourway) => onChange({ colourway })}
          options={[
            { id: "", label: "The one that is shown" },
            ...colourways.map(({ id, name }) => ({ id, label: name })),
          ]}
        />
      )}
    </>
  );
}

/** Other sheets, whole, after this one. */
function OtherSheets({ as, made, onChange }: Props) {
  const session = useSheetSession();
  const { data } = useQuery({ queryKey: ["sheets", false], queryFn: () => api.sheets() });
  const others = data?.sheets.filter(({ id }) => id !== session.id) ?? [];
  const also = made.also ? made.also.split(",") : [];
  if (!others.length) return null;
  const turn = (id: string, on: boolean) => {
    const next = others.map((sheet) => sheet.id).filter((each) => (each === id ? on : also.includes(each)));
    onChange({ also: next.join(",") });
  };
  return (
    <details className="mt-1">
      <summary className="cursor-pointer">
        {also.length ? `With ${plural(also.length, "other sheet")}` : "With other sheets"}
        {also.length > 0 && (hasPages(as) ? ", as further pages" : ", in one zip")}
      </summary>
      <div className="ml-4">
        {others.map(({ id, name }) => (
          <Tick key={id} label={name} on={also.includes(id)} onChange={(on) => turn(id, on)} />
        ))}
      </div>
    </details>
  );
}

function Background({ made, onChange }: { made: Made; onChange: Props["onChange"] }) {
  const colour = made.background.startsWith("#") ? made.background : null;
  const kind = colour ? "colour" : made.background;
  const pick = (next: string) => onChange({ background: next === "colour" ? PAPER : next });
  const options = [
    { id: "", label: "None" },
    { id: "sheet", label: "The sheet’s own" },
    { id: "colour", label: "A colour" },
  ];
  return (
    <>
      <PickLine label="Background" value={kind} onPick={pick} options={options} />
      {colour && (
        <div className="mt-1 flex justify-end">
          <ColourField
            label="Background colour"
            value={colour}
            onPreview={() => undefined}
            onCommit={async (background) => {
              if (!/^#[0-9a-f]{6}$/i.test(background)) return "A colour is # and six figures, as #f0e0c0.";
              onChange({ background: background.toLowerCase() });
              return null;
            }}
          />
        </div>
      )}
    </>
  );
}
