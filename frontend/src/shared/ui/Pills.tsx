/** What a list shows, as pills within a panel: one is a stop, the others lie beside it. */
import { beside, stop } from "./stops";

interface Props<T extends string> {
  label: string;
  options: readonly (readonly [T, string])[];
  value: T;
  onChange: (value: T) => void;
}

export function Pills<T extends string>({ label, options, value, onChange }: Props<T>) {
  return (
    <div role="group" aria-label={label} data-line className="flex flex-wrap gap-1">
      {options.map(([key, text]) => (
        <button
          key={key}
          {...(key === value ? stop : beside)}
          aria-pressed={key === value}
          className={`min-h-6 cursor-pointer rounded-selector border px-2 text-[12px] ${
            key === value
              ? "border-secondary bg-secondary text-secondary-content"
              : "border-(--edge) bg-base-100 hover:border-base-content"
          }`}
          onClick={() => onChange(key)}
        >
          {text}
        </button>
      ))}
    </div>
  );
}
