/** A field for a measure: units and sums are read by the server; arrows step the number. */
import { useContext, useId, useRef, useState } from "react";

import { PAPER } from "../paper";
import { inDecimals, isLength, shownIn, stepIn, typedIn, UnitContext } from "./unit";

interface Props {
  label: string;
  /** What is shown while nobody types. */
  value: string;
  step: number;
  onPreview?: (entered: string) => void;
  onCommit: (entered: string) => Promise<string | null>;
  onCancel?: () => void;
  className?: string;
  /** Whether it is a length, where its value does not say so. */
  length?: boolean;
  /** For whole numbers in a table. */
  narrow?: boolean;
}

/** The sheet, where there is one. */
const toSheet = () => document.getElementById(PAPER)?.focus();

const LEADING = /^\s*([-+]?\d*\.?\d+)(.*)$/;

/** The text with its leading number moved by a step. */
function stepped(text: string, step: number): string | null {
  const match = LEADING.exec(inDecimals(text).replace(/(\d),(\d)/, "$1.$2"));
  if (!match) return null;
  const decimals = Math.max(match[1]!.split(".")[1]?.length ?? 0, step < 1 ? 1 : 0);
  return (Number(match[1]) + step).toFixed(decimals) + match[2];
}

export function NumberField(props: Props) {
  const { label, onCancel, className = "", narrow = false } = props;
  const unit = useContext(UnitContext);
  const value = shownIn(unit, props.value);
  const length = props.length ?? isLength(props.value);
  const step = length ? stepIn(unit, props.step) : props.step;
  const said = (text: string) => (length ? typedIn(unit, text) : text);
  const [entered, setEntered] = useState<string | null>(null);
  // What is typed now, for a blur that comes before the field is rendered again.
  const now = useRef<string | null>(null);
  const setTyped = (text: string | null) => {
    now.current = text;
    setEntered(text);
  };
  const [fault, setFault] = useState<string | null>(null);
  const faultId = useId();

  const commit = async (text: string | null, stay = false): Promise<string | null> => {
    if (text === null || text.trim() === value) {
      setTyped(null);
      setFault(null);
      onCancel?.();
      return null;
    }
    const wrong = await props.onCommit(said(text));
    setFault(wrong);
    // What was entered stays while it is wrong, so that it can be put right.
    if (!wrong && !stay) setTyped(null);
    if (!wrong && stay && now.current === text) setTyped(null);
    return wrong;
  };

  const onKeyDown = (event: React.KeyboardEvent<HTMLInputElement>) => {
    if (event.key === "Enter") {
      event.preventDefault();
      const field = event.currentTarget;
      // Kept, the keys go back to the sheet; what is wrong keeps them.
      void commit(entered).then((wrong) => !wrong && !field.closest("dialog") && toSheet());
    } else if (event.key === "Escape") {
      setTyped(null);
      setFault(null);
      onCancel?.();
    } else if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      const by = (event.key === "ArrowUp" ? 1 : -1) * step * (event.shiftKey ? 10 : 1);
      const next = stepped(entered ?? value, by);
      event.preventDefault();
      if (next === null) return;
      setTyped(next);
      void commit(next, true);
    } else return;
    event.stopPropagation();
  };

  return (
    <span className={`inline-flex flex-col items-end ${className}`}>
      <input
        aria-label={label}
        aria-invalid={fault !== null}
        aria-describedby={fault ? faultId : undefined}
        className={`measure ${narrow ? "w-[44px]" : "w-[86px]"} rounded-field border bg-base-100 px-1.5 py-0.5 text-right ${
          fault ? "border-error" : "border-(--edge)"
        }`}
        value={entered ?? value}
        data-unsaved={entered === null ? undefined : ""}
        spellCheck={false}
        autoComplete="off"
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          setFault(null);
          props.onPreview?.(said(event.target.value));
        }}
        onBlur={() => now.current !== null && void commit(now.current)}
        onKeyDown={onKeyDown}
      />
      {fault && (
        <span id={faultId} role="alert" className="mt-0.5 block w-[240px] text-right text-[12px] text-error">
          {fault}
        </span>
      )}
    </span>
  );
}
