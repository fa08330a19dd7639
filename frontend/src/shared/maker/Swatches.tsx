/** Thread colours in a folded row: one with its value, several with their count. */
const MAX = 5;

export function Swatches({
  colours,
  names = [],
}: {
  colours: readonly string[];
  names?: readonly (string | undefined)[];
}) {
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
      <span className={`truncate ${colours.length === 1 && names[0] ? "" : "measure"}`}>
        {colours.length === 1 ? (names[0] ?? colours[0]) : colours.length}
        {colours.length > 1 && <span className="sr-only"> colours</span>}
      </span>
    </span>
  );
}
