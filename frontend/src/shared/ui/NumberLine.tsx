/** A number with what it is before it. */
import { NumberField } from "./NumberField";

type Props = Parameters<typeof NumberField>[0] & {
  /** What stands before it, where that is shorter than its name. */
  words?: React.ReactNode;
};

export function NumberLine({ words, ...field }: Props) {
  return (
    <div className="mt-1 flex items-start justify-between gap-2">
      <span className="pt-0.5">{words ?? field.label}</span>
      <NumberField {...field} />
    </div>
  );
}
