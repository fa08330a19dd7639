/** One of a few: pills, as radio buttons. */
import { useId } from "react";

interface Props<T extends string> {
  label: string;
  options: readonly (readonly [T, string])[];
  value: T;
  onChange: (value: T) => void;
  /** Within a page's dark head. */
  inHead?: boolean;
}

const PILL = {
  chosen: "border-secondary bg-secondary text-secondary-content",
  other: "border-(--edge) bg-base-100 hover:border-base-content",
};
const PILL_IN_HEAD = {
  chosen: "border-neutral-content bg-neutral-content text-neutral",
  other: "border-[#5b6580] text-neutral-content hover:border-neutral-content",
};

export function Choice<T extends string>({ label, options, value, onChange, inHead = false }: Props<T>) {
  const name = useId();
  const pill = inHead ? PILL_IN_HEAD : PILL;
  return (
    <div role="radiogroup" aria-label={label} className="flex flex-wrap gap-1">
      {options.map(([key, text]) => (
        <label
          key={key}
          className={`relative cursor-pointer rounded-selector border px-2.5 py-0.5 text-[12px] has-focus-visible:outline-2 has-focus-visible:outline-offset-1 ${
            key === value ? pill.chosen : pill.other
          }`}
        >
          <input type="radio" className="sr-only" name={name} checked={key === value} onChange={() => onChange(key)} />
          {text}
        </label>
      ))}
    </div>
  );
}
