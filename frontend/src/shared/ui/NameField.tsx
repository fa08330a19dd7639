/** A name: kept when the field is left, given up with Escape. */
import { useState } from "react";

interface Props {
  label: string;
  value: string;
  onKeep: (name: string) => void;
  /** As a heading: no edge until it is pointed at. */
  heading?: boolean;
}

const LONGEST = 120;

export function NameField({ label, value, onKeep, heading = false }: Props) {
  const [entered, setEntered] = useState<string | null>(null);
  const keep = () => {
    const name = entered?.trim();
    setEntered(null);
    if (name && name !== value) onKeep(name);
  };
  return (
    <input
      aria-label={label}
      title={value}
      className={`w-full truncate rounded-field border bg-transparent focus:border-base-300 ${
        heading
          ? "border-transparent text-[18px] font-bold hover:border-base-300"
          : "border-(--edge) bg-base-100 px-1.5 py-0.5"
      }`}
      value={entered ?? value}
      maxLength={LONGEST}
      onChange={(event) => setEntered(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter") event.currentTarget.blur();
        if (event.key === "Escape") setEntered(null);
      }}
    />
  );
}
