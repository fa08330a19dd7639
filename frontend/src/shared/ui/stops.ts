/** What the arrows stop at within a panel. */

export const STOP = "[data-stop]:not(:disabled)";
export const BESIDE = "[data-beside]:not(:disabled)";

/** Marks what the arrows stop at; Tab passes by it. */
export const stop = { "data-stop": "", tabIndex: -1 } as const;
/** Marks what lies on the line of a stop: left and right lead to it. */
export const beside = { "data-beside": "", tabIndex: -1 } as const;

const visible = (element: HTMLElement) => element.offsetParent !== null;

function found(panel: HTMLElement, selector: string): HTMLElement[] {
  return [...panel.querySelectorAll<HTMLElement>(selector)].filter(visible);
}

export const panelOf = (element: Element | null) => element?.closest<HTMLElement>("[data-part]") ?? null;

/** What is written in: its arrows are its own. */
export const isText = (element: HTMLElement) =>
  element.matches("input:not([type=checkbox]):not([type=radio]):not([type=search]), textarea, select");

/** Give the focus to what had it last in a panel, else to its first stop. */
export function focusIn(panel: HTMLElement) {
  const last = panel.querySelector<HTMLElement>("[data-last]");
  const target = last && visible(last) ? last : found(panel, STOP)[0];
  target?.focus();
}

/** Go where an arrow leads from a thing in a panel; whether it led anywhere. */
export function stepIn(panel: HTMLElement, key: string, from: HTMLElement, across: boolean): boolean {
  if (isText(from) || from.matches("input[type=radio], [role=slider]")) return false;
  const [back, on] = across ? ["ArrowLeft", "ArrowRight"] : ["ArrowUp", "ArrowDown"];
  if (key === back || key === on || key === "Home" || key === "End") {
    if (from.matches("input") && (key === "Home" || key === "End" || across)) return false;
    return stepTo(found(panel, STOP), key, key === on ? 1 : -1, from);
  }
  if (across || (key !== "ArrowLeft" && key !== "ArrowRight") || from.matches("input")) return false;
  const line = from.closest<HTMLElement>("[data-line]");
  return line ? stepTo(found(line, `${STOP}, ${BESIDE}`), key, key === "ArrowRight" ? 1 : -1, from) : false;
}

function stepTo(stops: HTMLElement[], key: string, by: number, from: HTMLElement): boolean {
  const here = stops.findIndex((stop) => stop === from || stop.contains(from));
  // From something beside a stop, or within an open row, the arrows go on from that stop.
  const nearest = here >= 0 ? here : stops.findLastIndex((stop) => precedes(stop, from));
  const next = key === "Home" ? 0 : key === "End" ? stops.length - 1 : nearest + by;
  const target = stops[Math.min(Math.max(next, 0), stops.length - 1)];
  if (!target || target === from) return false;
  target.focus();
  target.scrollIntoView({ block: "nearest" });
  return true;
}

const precedes = (one: Node, other: Node) =>
  Boolean(one.compareDocumentPosition(other) & Node.DOCUMENT_POSITION_FOLLOWING);

/** A field with something typed that is not kept yet has an undo of its own. */
export const isUnsaved = (target: EventTarget | null) => target instanceof HTMLElement && "unsaved" in target.dataset;

/** The look of a link past what comes before: seen once it has the focus. */
export const SKIP =
  "sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-primary focus:p-2 focus:text-primary-content";
