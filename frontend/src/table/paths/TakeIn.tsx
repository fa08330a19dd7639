/** Taking in a line drawing from an SVG file: chosen, or dropped here. */
import { useRef, useState } from "react";

import { useDesk } from "../sheet";

export function TakeIn() {
  const desk = useDesk();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    await desk.takeIn(file);
    setBusy(false);
    if (input.current) input.current.value = "";
  };
  return (
    <div
      className="relative border-t border-base-300 px-3 py-1.5"
      onDragOver={(event) => event.dataTransfer.types.includes("Files") && event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void take(event.dataTransfer.files[0]);
      }}
    >
      <input
        ref={input}
        type="file"
        accept=".svg,image/svg+xml"
        aria-label="SVG drawing to take in"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void take(event.target.files?.[0])}
      />
      <button
        className="cursor-pointer rounded-field py-0.5 font-semibold text-accent underline underline-offset-2 hover:text-base-content disabled:opacity-60"
        disabled={busy}
        onClick={() => input.current!.click()}
      >
        {busy ? "Taking in the drawing" : "Take in a drawing (SVG)"}
      </button>
    </div>
  );
}
