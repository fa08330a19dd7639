/** What is asked of the tracing, in the order in which it is decided. */
import { Heading } from "@/shared/maker/Heading";
import { Choice } from "@/shared/ui/Choice";
import { NumberLine } from "@/shared/ui/NumberLine";

import { ask, useTracer, type Asked } from "./tracer";

const BY = [
  ["cut-off", "One cut-off"],
  ["colours", "Colours"],
] as const;

type Texts = "length" | "lighten" | "cut_off" | "colours" | "specks" | "corners" | "within" | "most";
type Ticks = "swapped" | "background" | "scraps" | "bands";

export function TraceSettings() {
  const asked = useTracer((state) => state.asked);
  const byCutOff = asked.by === "cut-off";
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-3.5 pb-3">
      <Heading>The picture</Heading>
      <Text name="length" label="Long, when cropped" step={1} />
      <Text name="lighten" label="Lighter" step={10} />
      <p className="muted mt-0.5 text-[12px]">Drag the frame’s sides to crop it.</p>
      <Heading>Traced by</Heading>
      <Choice label="Traced by" options={BY} value={asked.by} onChange={(by) => ask({ by })} />
      {byCutOff ? (
        <>
          <Text name="cut_off" label="Cut-off" step={5} />
          <Tick name="swapped" label="Swap light and dark" />
        </>
      ) : (
        <>
          <Text name="colours" label="Colours" step={1} />
          <Tick name="background" label="Leave the background out" />
          <Tick name="bands" label="Bands become one gradient" />
        </>
      )}
      <Tick name="scraps" label="Leave out what reaches the edge" />
      <Heading>The outlines</Heading>
      <Text name="specks" label="Drop below, mm²" step={0.05} />
      <Text name="corners" label="Corners kept above" step={5} />
      <Text name="within" label="Outline within" step={0.05} />
      <Text name="most" label="Shapes at the most" step={10} />
    </div>
  );
}

function Text({ name, label, step }: { name: Texts; label: string; step: number }) {
  const value = useTracer((state) => state.asked[name]);
  const commit = (entered: string) => {
    ask({ [name]: entered } as Partial<Asked>);
    return Promise.resolve(null);
  };
  return <NumberLine label={label} value={value} step={step} onCommit={commit} />;
}

function Tick({ name, label }: { name: Ticks; label: string }) {
  const value = useTracer((state) => state.asked[name]);
  return (
    <label className="mt-1 flex min-h-6 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-(--color-secondary)"
        checked={value}
        onChange={(event) => ask({ [name]: event.target.checked } as Partial<Asked>)}
      />
      {label}
    </label>
  );
}
