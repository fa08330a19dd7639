/** A shelf of the Library: its tools above, its cards below. */
export interface ShelfProps {
  /** Words that every card shown has. */
  sought: string;
  onNotice: Told;
}

/** Says something, with a way to undo it where there is one. */
export type Told = (text: string, undo?: () => Promise<unknown>) => void;

export const quiet =
  "cursor-pointer rounded-field border border-(--edge) px-2 py-0.5 text-[12px] hover:border-base-content";

interface Props {
  tools: React.ReactNode;
  /** What is said where there is no card. */
  none: string | false;
  error: Error | null;
  /** What comes before the cards. */
  first?: React.ReactNode;
  children: React.ReactNode;
}

export function Shelf({ tools, none, error, first, children }: Props) {
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 border-b border-base-300 px-3.5 py-2">{tools}</div>
      <div className="min-h-0 overflow-y-auto px-3.5 py-3">
        {first}
        {error && <p role="alert">{error.message}</p>}
        {none && <p className="muted max-w-[640px]">{none}</p>}
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] items-start gap-x-4 gap-y-3">{children}</ul>
      </div>
    </>
  );
}
