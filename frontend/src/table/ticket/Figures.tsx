/** Figures by number: drawn anew, and reshaped while they are still figures. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api } from "@/shared/api/client";
import type { FigureListed, FigureShown, Intent } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { NumberField } from "@/shared/ui/NumberField";

import { useChosen, useDesk, useShown } from "../sheet";
import { hand } from "../state";

type Setting = FigureShown["settings"][number];

/** A new figure in the middle of what is seen of the sheet. */
export function NewFigure() {
  const { data } = useQuery({ queryKey: ["figures"], queryFn: api.figures, staleTime: Infinity });
  const [id, setId] = useState("rectangle");
  const figure = data?.figures.find((item) => item.id === id);
  return (
    <>
      <Heading>A figure by number</Heading>
      <select
        aria-label="Figure"
        className="w-full cursor-pointer rounded-field border border-base-300 bg-base-100 px-1.5 py-1"
        value={id}
        onChange={(event) => setId(event.target.value)}
      >
        {data?.figures.map((item) => (
          <option key={item.id} value={item.id}>
            {item.name}
          </option>
        ))}
      </select>
      {figure && <Draw key={figure.id} figure={figure} />}
    </>
  );
}

function Draw({ figure }: { figure: FigureListed }) {
  const desk = useDesk();
  const { head } = useShown();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const draw = (values: Record<string, string>): Intent => ({ kind: "draw-figure", figure: figure.id, typed: values, ...middle() });
  const keep = async () => {
    // What is shown of it meanwhile is no path that is known.
    const known = new Set(desk.kept().map((path) => path.id));
    const refusal = await desk.command(draw(typed));
    if (!refusal) desk.choose((path) => !known.has(path.id));
  };
  return (
    <>
      {figure.settings.map((setting) => (
        <Row
          key={setting.name}
          setting={{ ...setting, text: typed[setting.name] ?? setting.text }}
          onPreview={(text) => desk.preview(draw({ ...typed, [setting.name]: text }))}
          onCommit={(text) => {
            const values = { ...typed, [setting.name]: text };
            setTyped(values);
            desk.preview(draw(values));
            return Promise.resolve(null);
          }}
        />
      ))}
      <div className="mt-1.5 flex items-center justify-between gap-2">
        <span className="muted text-[12px]">{head.sheet.factor === 1 ? "" : "Lengths as worn"}</span>
        <QuietButton onClick={keep}>Draw the {figure.name.toLowerCase()}</QuietButton>
      </div>
    </>
  );
}

/** The figure that the chosen path still is. */
export function ThisFigure() {
  const desk = useDesk();
  const { path } = useChosen();
  const { id, figure } = path!;
  if (!figure) return null;
  const reshape = (name: string, text: string): Intent => ({ kind: "reshape-figure", path: id, typed: { [name]: text } });
  return (
    <>
      <Heading>{figure.name}</Heading>
      {figure.settings.map((setting) => (
        <Row
          key={setting.name}
          setting={setting}
          onPreview={(text) => desk.preview(reshape(setting.name, text))}
          onCommit={async (text) => (await desk.command(reshape(setting.name, text)))?.message ?? null}
        />
      ))}
      <p className="muted mt-0.5 text-[12px]">It stays a figure until one of its nodes is moved.</p>
    </>
  );
}

interface RowProps {
  setting: Setting;
  onPreview: (text: string) => void;
  onCommit: (text: string) => Promise<string | null>;
}

function Row({ setting, onPreview, onCommit }: RowProps) {
  const desk = useDesk();
  return (
    <div className="mt-1 flex items-start justify-between gap-2">
      <span className="pt-0.5">{setting.label}</span>
      <NumberField
        label={setting.label}
        value={setting.text}
        step={1}
        onPreview={onPreview}
        onCommit={onCommit}
        onCancel={() => desk.dropPreviews(true)}
      />
    </div>
  );
}

/** Where the middle of the window lies on the sheet, mm. */
function middle(): { x: number; y: number } | undefined {
  const { view, window } = hand();
  if (!view) return undefined;
  return { x: (window.width / 2 - view.x) / view.zoom, y: (window.height / 2 - view.y) / view.zoom };
}
