/** Where a view is too narrow for all of its parts, one is shown at a time. */
import { useState } from "react";

import { Choice } from "./Choice";

type Options<T extends string> = readonly (readonly [T, string])[];

/** The part that is shown, and what hides a part while another is. */
export function useParts<T extends string>(first: T) {
  const [part, setPart] = useState<T>(first);
  return { part, setPart, only: (name: T) => (name === part ? "" : "max-[899px]:hidden") };
}

interface Props<T extends string> {
  label: string;
  options: Options<T>;
  part: T;
  onChange: (part: T) => void;
}

export function Parts<T extends string>({ label, options, part, onChange }: Props<T>) {
  return (
    <nav
      aria-label={label}
      className="hidden items-center gap-1 border-b border-base-300 bg-base-200 px-2 max-[899px]:flex"
    >
      <Choice label="Part shown" options={options} value={part} onChange={onChange} />
    </nav>
  );
}
