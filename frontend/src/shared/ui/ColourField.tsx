/** A thread colour: picked, or entered as any CSS colour. */
import { useEffect, useRef, useState } from "react";

interface Props {
  label: string;
  value: string;
  onPreview: (colour: string) => void;
  onCommit: (colour: string) => Promise<string | null>;
}

export function ColourField({ label, value, onPreview, onCommit }: Props) {
  const [entered, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const picker = useRef<HTMLInputElement>(null);

  // React's onChange is the browser's “input”; the pick is only done at its “change”.
  useEffect(() => {
    const input = picker.current!;
    const done = () => void onCommit(input.value);
    input.addEventListener("change", done);
    return () => input.removeEventListener("change", done);
  }, [onCommit]);

  const commit = async () => {
    if (entered === null || entered === value) return setTyped(null);
    const wrong = await onCommit(entered);
    setFault(wrong);
    if (!wrong) setTyped(null);
  };

  return (
    <div>
      <div className="flex items-center gap-2">
        <input
          ref={picker}
          type="color"
          aria-label={`${label}, pick`}
          className="h-6 w-9 cursor-pointer rounded-field border border-(--edge) bg-base-100 p-0.5"
          value={value}
          onInput={(event) => onPreview(event.currentTarget.value)}
          onChange={() => undefined}
        />
        <input
          aria-label={`${label}, entered`}
          aria-invalid={fault !== null}
          className={`measure w-24 rounded-field border bg-base-100 px-1.5 py-0.5 ${fault ? "border-error" : "border-(--edge)"}`}
          value={entered ?? value}
          spellCheck={false}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => void commit()}
          onKeyDown={(event) => {
            if (event.key === "Enter") void commit();
            if (event.key === "Escape") setTyped(null);
            event.stopPropagation();
          }}
        />
      </div>
      {fault && (
        <p role="alert" className="mt-0.5 text-[12px] text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
