/** A dialog over the page, closed by Escape or its button; the focus goes back to where it was. */
import { X } from "lucide-react";
import { useEffect, useId, useRef } from "react";

interface Props {
  title: string;
  onClose: () => void;
  width?: number;
  children: React.ReactNode;
}

export function Dialog({ title, onClose, width = 760, children }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const name = useId();
  useEffect(() => dialog.current!.showModal(), []);
  return (
    <dialog
      ref={dialog}
      aria-labelledby={name}
      className="m-auto max-h-[calc(100%-32px)] max-w-[calc(100%-32px)] overflow-y-auto rounded-box border border-base-content/40 bg-base-100 p-4 text-base-content backdrop:bg-black/40"
      style={{ width }}
      onClose={onClose}
    >
      <div className="mb-2 flex items-center justify-between">
        <h2 id={name} className="text-[18px] font-bold">
          {title}
        </h2>
        <button
          className="grid size-7 cursor-pointer place-items-center rounded-full hover:bg-base-200"
          aria-label="Close"
          onClick={() => dialog.current!.close()}
        >
          <X size={18} aria-hidden />
        </button>
      </div>
      {children}
    </dialog>
  );
}
