/** A button that imports a file. */
import { useRef } from "react";

import { QuietButton } from "@/shared/maker/QuietButton";

import { FileInput } from "./FileInput";

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
      <FileInput ref={input} label={label} accept={accept} onFiles={([file]) => onFile(file!)} />
    </>
  );
}
