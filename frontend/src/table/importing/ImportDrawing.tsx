/** Importing a line drawing, or pattern pieces, from an SVG, DXF or PDF file: chosen, or dropped here; then looked at before it is taken. */
import { useRef, useState } from "react";

import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";

import { stop } from "@/shared/ui/stops";

import { tableState } from "../state";
import { type Drawing, ImportDialog } from "./ImportDialog";

export function ImportDrawing() {
  const input = useRef<HTMLInputElement>(null);
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  const read = async (file: File | undefined, page = 1) => {
    if (!file) return;
    try {
      setDrawing({ ...(await api.readDrawing(file, page)), file, page });
    } catch (error) {
      tableState().set({ notice: { tone: "fault", text: error instanceof Refusal ? error.message : String(error) } });
    }
    if (input.current) input.current.value = "";
  };
  return (
    <div
      className="relative"
      onDragOver={(event) => event.dataTransfer.types.includes("Files") && event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void read(event.dataTransfer.files[0]);
      }}
    >
      <input
        ref={input}
        type="file"
        accept=".svg,image/svg+xml,.dxf,.pdf"
        aria-label="Drawing to import"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void read(event.target.files?.[0])}
      />
      <button
        {...stop}
        className="cursor-pointer text-[12px] text-accent underline decoration-dotted underline-offset-2 hover:text-base-content"
        onClick={() => input.current!.click()}
      >
        Import a drawing
      </button>
      {drawing && (
        <ImportDialog
          key={drawing.id}
          drawing={drawing}
          onPage={(page) => void read(drawing.file, page)}
          onDone={() => setDrawing(null)}
        />
      )}
    </div>
  );
}
