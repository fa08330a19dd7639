/** A gradient: its form, its colours and where each lies along it. */
import type { FillDoc, GradientFillDoc } from "@/shared/api/types";
import { FillField } from "@/shared/maker/FillField";
import { QuietButton } from "@/shared/maker/QuietButton";
import { shadeIn, useShades } from "@/shared/maker/shades";
import { ChoiceLine } from "@/shared/ui/ChoiceLine";
import { NumberLine } from "@/shared/ui/NumberLine";
import { X } from "lucide-react";

const FORMS = [
  ["linear", "Straight"],
  ["radial", "From a middle"],
] as const;
const [PALE, PLAIN] = ["#fffdf6", "#66757d"];
const MOST = 12;

type Stop = GradientFillDoc["stops"][number];

/** From the colour that is there to a pale one. */
export function usualGradient(before: FillDoc | null): GradientFillDoc {
  const colour = before && "warp" in before && before.warp ? before.warp : PLAIN;
  return {
    kind: "gradient",
    form: "linear",
    stops: [
      { at: 0, colour, opacity: 100 },
      { at: 100, colour: PALE, opacity: 100 },
    ],
    turn: 90,
    x: 50,
    y: 50,
  };
}

interface Props {
  value: GradientFillDoc;
  onPreview: (next: GradientFillDoc) => void;
  /** Change the gradient as it is then. Resolves to what was wrong, or to null. */
  onChange: (edit: (now: GradientFillDoc) => GradientFillDoc) => Promise<string | null>;
  onCancel: () => void;
}

export function GradientFields({ value, onPreview, onChange, onCancel }: Props) {
  const { stops } = value;
  const withStops = (edit: (stops: Stop[]) => Stop[]) => onChange((now) => ({ ...now, stops: edit(now.stops) }));
  const number = (key: "turn" | "x" | "y", label: string, unit: string) => (
    <NumberLine
      label={label}
      value={`${value[key]}${unit}`}
      step={5}
      onPreview={(text) => onPreview(entered(value, key, text))}
      onCommit={(text) => onChange((now) => entered(now, key, text))}
      onCancel={onCancel}
    />
  );
  return (
    <>
      <ChoiceLine
        words="Runs"
        label="How the gradient runs"
        options={FORMS}
        value={value.form ?? "linear"}
        onChange={(form) => void onChange((now) => ({ ...now, form }))}
      />
      {stops.map((stop, index) => (
        <StopLine
          key={index}
          stop={stop}
          number={index + 1}
          onPreview={(next) => onPreview({ ...value, stops: stops.with(index, next) })}
          onChange={(values) =>
            withStops((now) => now.map((item, place) => (place === index ? { ...item, ...values } : item)))
          }
          onCancel={onCancel}
          onRemove={stops.length > 2 ? () => void withStops((now) => now.toSpliced(index, 1)) : undefined}
        />
      ))}
      {stops.length < MOST && (
        <div className="mt-1 text-right">
          <QuietButton onClick={() => withStops(withOneMore)}>Add a colour</QuietButton>
        </div>
      )}
      {value.form === "radial" ? (
        <>
          {number("x", "Middle, across", "%")}
          {number("y", "Middle, down", "%")}
        </>
      ) : (
        number("turn", "Turned by", "°")
      )}
    </>
  );
}

/** The server reads what is entered. */
function entered<T>(value: T, key: keyof T, text: string): T {
  return { ...value, [key]: text as never };
}

/** One more between the last two, of the last one's colour. */
function withOneMore(stops: Stop[]): Stop[] {
  const [before, last] = stops.slice(-2) as [Stop, Stop];
  return stops.toSpliced(-1, 0, { ...last, at: (before.at + last.at) / 2 });
}

interface LineProps {
  stop: Stop;
  number: number;
  onPreview: (next: Stop) => void;
  onChange: (values: Partial<Stop>) => Promise<string | null>;
  onCancel: () => void;
  onRemove?: () => void;
}

function StopLine({ stop, number, onPreview, onChange, onCancel, onRemove }: LineProps) {
  const shades = useShades()?.shades ?? [];
  const shade = shadeIn(shades, stop.colour);
  const share = (key: "at" | "opacity", label: string) => (
    <NumberLine
      words={label}
      label={`Colour ${number}: ${label.toLowerCase()}`}
      value={`${stop[key] ?? 100}%`}
      step={5}
      onPreview={(text) => onPreview(entered(stop, key, text))}
      onCommit={(text) => onChange({ [key]: text as never })}
      onCancel={onCancel}
    />
  );
  return (
    <div className="mt-1 border-t border-dotted border-base-300 pt-1">
      <div className="flex items-start justify-between gap-2">
        <span className="flex items-center gap-1 pt-0.5 whitespace-nowrap">
          Colour {number}
          {onRemove && (
            <button
              className="grid size-6 cursor-pointer place-items-center rounded-field hover:bg-base-300"
              aria-label={`Remove colour ${number}`}
              title={`Remove colour ${number}`}
              onClick={onRemove}
            >
              <X size={13} aria-hidden />
            </button>
          )}
        </span>
        <FillField
          label={`Colour ${number}`}
          colour={shade?.colour ?? stop.colour}
          shade={shade?.id ?? null}
          onPreview={(colour) => onPreview({ ...stop, colour })}
          onCommit={(colour) => onChange({ colour })}
        />
      </div>
      {share("at", "Lies at")}
      {share("opacity", "Opacity")}
    </div>
  );
}
