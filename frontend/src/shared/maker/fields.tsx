/** Rows of the Ticket that set one setting. */
import { Choice } from "@/shared/ui/Choice";
import { NumberField } from "@/shared/ui/NumberField";

import { Own } from "./Own";
import { useMaker } from "./maker";

interface NumberRowProps {
  label: string;
  pointer: string;
  value: string;
  step: number;
}

/** A number with its name to the left. */
export function NumberRow({ label, pointer, value, step }: NumberRowProps) {
  const settings = useMaker();
  return (
    <div className="mt-1 flex items-start justify-between gap-2">
      <span className="pt-0.5">
        {label}
        <Own pointer={pointer} label={label} />
      </span>
      <NumberField
        label={label}
        value={value}
        step={step}
        onPreview={(entered) => settings.tryOut(pointer, entered)}
        onCommit={(entered) => settings.keep(pointer, entered)}
        onCancel={settings.forget}
      />
    </div>
  );
}

export function Tick({ label, pointer, value }: { label: string; pointer: string; value: boolean }) {
  const settings = useMaker();
  return (
    <label className="mt-1 flex min-h-6 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-(--color-secondary)"
        checked={value}
        onChange={(event) => void settings.keep(pointer, event.target.checked)}
      />
      {label}
      <Own pointer={pointer} label={label} />
    </label>
  );
}

interface OptionsProps<T extends string> {
  label: string;
  pointer: string;
  options: readonly (readonly [T, string])[];
  value: T;
}

export function Options<T extends string>({ label, pointer, options, value }: OptionsProps<T>) {
  const settings = useMaker();
  return (
    <Choice label={label} options={options} value={value} onChange={(picked) => void settings.keep(pointer, picked)} />
  );
}

export const mmText = (measure: { mm: number } | undefined) => `${Number((measure?.mm ?? 0).toFixed(4))} mm`;
