/** Figures by number: drawn anew with the Figure tool, and reshaped while they are still figures. */
import { useQuery } from "@tanstack/react-query";

import { api } from "@/shared/api/client";
import type { FigureListed, FigureShown, Intent } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Pick } from "@/shared/ui/Pick";

import { useChosen, useSheetSession, useFrame } from "../../sheet";
import { tableState, useTableState } from "../../state";
import { drawFigure, keepFigure, middle } from "./figurePointer";

type Setting = FigureShown["settings"][number];

/** The Figure tool's card: which figure, and its numbers. */
export function FigureCard() {
  const { data } = useQuery({ queryKey: ["figures"], queryFn: api.figures, staleTime: Infinity });
  const id = useTableState((state) => state.figure);
  const figure = data?.figures.find((item) => item.id === id);
  return (
    <>
      <h2 className="text-[18px] font-bold">Draw a figure</h2>
      <p className="muted my-1">Set its numbers and press where its middle is to be; or drag it to size.</p>
      <Pick label="Figure" className="w-full" value={id} onPick={(picked) => tableState().set({ figure: picked })}>
        {data?.figures.map((item) => (
          <option key={item.id} value={item.id}>
            {item.name}
          </option>
        ))}
      </Pick>
      {figure && <Draw key={figure.id} figure={figure} />}
    </>
  );
}

function Draw({ figure }: { figure: FigureListed }) {
  const session = useSheetSession();
  const frame = useFrame("sheet");
  const entered = useTableState((state) => state.entered[figure.id]) ?? {};
  const show = (values: Record<string, string>) =>
    session.preview({ kind: "draw-figure", figure: figure.id, entered: values, ...middle() });
  return (
    <>
      {figure.settings.map((setting) => (
        <Row
          key={setting.name}
          setting={{ ...setting, text: entered[setting.name] ?? setting.text }}
          onPreview={(text) => show({ ...entered, [setting.name]: text })}
          onCommit={(text) => {
            const values = { ...entered, [setting.name]: text };
            tableState().set({ entered: { ...tableState().entered, [figure.id]: values } });
            show(values);
            return Promise.resolve(null);
          }}
        />
      ))}
      <div className="mt-1.5 flex items-center justify-between gap-2">
        <span className="muted text-[12px]">{frame.sheet.factor === 1 ? "" : "Lengths on the garment"}</span>
        <QuietButton onClick={() => keepFigure(session, drawFigure(middle()))}>Draw it in the middle</QuietButton>
      </div>
    </>
  );
}

/** The figure that the chosen path still is. */
export function ThisFigure() {
  const session = useSheetSession();
  const { path } = useChosen();
  const { id, figure } = path!;
  if (!figure) return null;
  const reshape = (name: string, text: string): Intent => ({
    kind: "reshape-figure",
    path: id,
    entered: { [name]: text },
  });
  return (
    <Decision
      id="figure"
      label="Figure"
      set={figure.name.toLowerCase()}
      result={figure.settings
        .slice(0, 2)
        .map((setting) => setting.text)
        .join(" × ")}
    >
      {figure.settings.map((setting) => (
        <Row
          key={setting.name}
          setting={setting}
          onPreview={(text) => session.preview(reshape(setting.name, text))}
          onCommit={async (text) => await session.entered(reshape(setting.name, text))}
        />
      ))}
      <p className="muted mt-0.5 text-[12px]">It stays a figure until one of its nodes is moved.</p>
    </Decision>
  );
}

interface RowProps {
  setting: Setting;
  onPreview: (text: string) => void;
  onCommit: (text: string) => Promise<string | null>;
}

function Row({ setting, onPreview, onCommit }: RowProps) {
  const session = useSheetSession();
  return (
    <NumberLine
      label={setting.label}
      value={setting.text}
      step={1}
      onPreview={onPreview}
      onCommit={onCommit}
      onCancel={() => session.dropPreviews(true)}
    />
  );
}
