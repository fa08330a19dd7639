/** Thread colours in a folded row: one with its value, several with their count. */
const MAX = 5;

export function Swatches({ colours }: { colours: readonly string[] }) {
  return (
    <span className="flex items-center gap-1.5">
      {colours.slice(0, MAX).map((colour, index) => (
        <span
          key={index}
          aria-hidden
          className="own-colour size-3.5 shrink-0 rounded-[3px] border border-base-content/60"
          style={{ background: colour }}
        />
      ))}
      <span className="measure truncate">
        {colours.length === 1 ? colours[0] : colours.length}
        {colours.length > 1 && <span className="sr-only"> colours</span>}
      </span>
    </span>
  );
}
