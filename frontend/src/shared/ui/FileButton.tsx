/** A button that imports a file. */
import { useRef } from "react";

import { QuietButton } from "@/shared/maker/QuietButton";

interface Props {
  children: string;
  /** The name of the file's field. */
  label: string;
  accept: string;
  onFile: (file: File) => void;
}

export function FileButton({ children, label, accept, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <QuietButton onClick={() => input.current?.click()}>{children}</QuietButton>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = "";
        }}
      />
    </>
  );
}
