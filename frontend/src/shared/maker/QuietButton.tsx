/** A quiet button of the Ticket; `pressed` says whether what it turns on is on. */
interface Props {
  /** Its name where its words alone do not say of what. */
  label?: string;
  onClick: () => unknown;
  pressed?: boolean;
  children: React.ReactNode;
}

export function QuietButton({ label, onClick, pressed, children }: Props) {
  return (
    <button
      className={`min-h-6 cursor-pointer rounded-field border px-2 py-0.5 text-[12px] hover:border-base-content ${
        pressed ? "border-base-content bg-base-content text-base-100" : "border-(--edge) bg-base-200"
      }`}
      aria-label={label}
      aria-pressed={pressed}
      onClick={() => void onClick()}
    >
      {children}
    </button>
  );
}
