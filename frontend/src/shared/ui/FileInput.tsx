/** A field for files that is not seen: what is pressed, or picked from a menu, opens it. */
interface Props {
  ref: React.Ref<HTMLInputElement>;
  label: string;
  accept: string;
  multiple?: boolean;
  /** With one file at least. */
  onFiles: (files: readonly File[]) => void;
}

export function FileInput({ ref, label, accept, multiple, onFiles }: Props) {
  return (
    <input
      ref={ref}
      type="file"
      multiple={multiple}
      accept={accept}
      aria-label={label}
      className="sr-only"
      tabIndex={-1}
      onChange={(event) => {
        const files = [...(event.target.files ?? [])];
        // The same file can be chosen again.
        event.target.value = "";
        if (files.length) onFiles(files);
      }}
    />
  );
}
