/** A field to search a list by. */
import { stop } from "./stops";

interface Props {
  label: string;
  value: string;
  onChange: (text: string) => void;
}

export function SearchField({ label, value, onChange }: Props) {
  return (
    <input
      {...stop}
      type="search"
      aria-label={label}
      placeholder={label}
      className="w-full rounded-field border border-(--edge) bg-base-100 px-2 py-0.5"
      value={value}
      maxLength={80}
      onChange={(event) => onChange(event.target.value)}
      onKeyDown={(event) => {
        if (event.key !== "Escape" || !value) return;
        event.stopPropagation();
        onChange("");
      }}
    />
  );
}

/** Whether a text has every word that is sought. */
export function matches(text: string, sought: string): boolean {
  const within = text.toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => within.includes(word));
}
