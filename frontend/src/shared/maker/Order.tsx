/** The sequence of a row's motifs, and which repeat lies on top. */
import { useState } from "react";

import { OVERLAPS, wordOf } from "@/shared/ui/trade";

import { Options } from "./fields";
import { Decision } from "./Decision";
import { useMaker, useRow } from "./maker";

export function Order() {
  const place = useRow();
  if (!place || place.row.motif?.family === "running") return null;
  const { row, at } = place;
  return (
    <Decision
      id="order"
      label="Order"
      set={row.order}
      result={
        (row.more ?? []).length > 0 && row.overlap !== OVERLAPS[0]?.[0] ? wordOf(OVERLAPS, row.overlap) : undefined
      }
      pointers={[at("order"), at("overlap")]}
    >
      {(row.more ?? []).length > 0 && <OrderField value={row.order!} pointer={at("order")} />}
      <Options label="Overlap" pointer={at("overlap")} options={OVERLAPS} value={row.overlap!} />
    </Decision>
  );
}

function OrderField({ value, pointer }: { value: string; pointer: string }) {
  const settings = useMaker();
  const [entered, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const keep = async () => {
    if (entered === null || entered === value) return setTyped(null);
    const wrong = await settings.keep(pointer, entered);
    setFault(wrong);
    if (!wrong) setTyped(null);
  };
  return (
    <div className="mb-1">
      <input
        aria-label="Order"
        aria-invalid={fault !== null}
        className="measure w-full rounded-field border border-(--edge) bg-base-100 px-1.5 py-0.5"
        value={entered ?? value}
        maxLength={200}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Enter") void keep();
          if (event.key === "Escape") setTyped(null);
        }}
      />
      {fault && (
        <p role="alert" className="text-[12px] text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
