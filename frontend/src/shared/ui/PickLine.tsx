/** One of a list with what it is before it. */
import { Pick } from "./Pick";

interface Props {
  label: string;
  value: string;
  onPick: (value: string) => void;
  options: readonly { id: string; label: string }[];
}

export function PickLine({ label, value, onPick, options }: Props) {
  return (
    <div className="mt-1 flex items-center justify-between gap-2">
      {label}
      <Pick label={label} value={value} onPick={onPick} className="max-w-[190px] text-[12px]">
        {options.map((option) => (
          <option key={option.id} value={option.id}>
            {option.label}
          </option>
        ))}
      </Pick>
    </div>
  );
}
