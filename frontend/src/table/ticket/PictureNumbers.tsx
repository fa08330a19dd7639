/** Where a picture lies, its size, turn and fade, as numbers. */
import { NumberLine } from "@/shared/ui/NumberLine";

const NUMBERS = [
  ["x", "Middle, from the left", 5],
  ["y", "Middle, from the top", 5],
  ["width", "Width on the garment", 5],
  ["turn", "Turned by", 1],
  ["fade", "Faded by", 5],
] as const;

export type PictureNumber = (typeof NUMBERS)[number][0];

interface Props {
  /** The picture's name. */
  name: string;
  entered: Record<string, string>;
  onPreview: (values: Partial<Record<PictureNumber, string>>) => void;
  /** Resolves to what was wrong, or to null. */
  onCommit: (values: Partial<Record<PictureNumber, string>>) => Promise<string | null>;
  onCancel: () => void;
}

export function PictureNumbers({ name, entered, onPreview, onCommit, onCancel }: Props) {
  return NUMBERS.map(([key, label, step]) => (
    <NumberLine
      key={key}
      words={label}
      label={`${name}: ${label.toLowerCase()}`}
      value={entered[key]!}
      step={step}
      onPreview={(text) => onPreview({ [key]: text })}
      onCommit={(text) => onCommit({ [key]: text })}
      onCancel={onCancel}
    />
  ));
}
