/** A quiet button of the Ticket. */
export function QuietButton({ onClick, children }: { onClick: () => unknown; children: React.ReactNode }) {
  return (
    <button
      className="min-h-6 cursor-pointer rounded-field border border-base-300 bg-base-200 px-2 py-0.5 text-[12px] hover:border-base-content"
      onClick={() => void onClick()}
    >
      {children}
    </button>
  );
}
