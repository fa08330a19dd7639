/** Something that is on or off. */
interface Props {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
}

export function Tick({ label, on, onChange }: Props) {
  return (
    <label className="flex min-h-6 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="size-4 shrink-0 accent-(--color-secondary)"
        checked={on}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
