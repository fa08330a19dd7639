/** A text that the server reads: kept when the field is left, with what was wrong with it under it. */
import { useState } from "react";

interface Props {
  label: string;
  value: string;
  hint?: string;
  onKeep: (entered: string) => Promise<string | null>;
}

const LONGEST = 400;

export function TextLine({ label, value, hint, onKeep }: Props) {
  const [entered, setEntered] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const keep = async () => {
    if (entered === null || entered === value) return setEntered(null);
    const wrong = await onKeep(entered);
    setFault(wrong);
    if (!wrong) setEntered(null);
  };
  return (
    <div>
      <input
        aria-label={label}
        aria-invalid={fault !== null}
        placeholder={hint}
        className={`w-full rounded-field border bg-base-100 px-1.5 py-0.5 ${fault ? "border-error" : "border-(--edge)"}`}
        value={entered ?? value}
        maxLength={LONGEST}
        spellCheck={false}
        data-unsaved={entered === null ? undefined : ""}
        onChange={(event) => setEntered(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Enter") void keep();
          if (event.key === "Escape") {
            setEntered(null);
            setFault(null);
          }
        }}
      />
      {fault && (
        <p role="alert" className="mt-0.5 text-[12px] text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
