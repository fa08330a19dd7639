/** One of a few with what it is before it. */
import { Choice } from "./Choice";

type Props<T extends string> = Parameters<typeof Choice<T>>[0] & {
  /** What stands before it: shorter than its name. */
  words: string;
};

export function ChoiceLine<T extends string>({ words, ...choice }: Props<T>) {
  return (
    <div className="mt-1 flex items-center justify-between gap-2">
      {words}
      <Choice {...choice} />
    </div>
  );
}
