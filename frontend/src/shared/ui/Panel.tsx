/** A part of the page that is one tab stop: arrows go from one thing in it to the next, F6 to the next part. */
import { useEffect, useRef, useState } from "react";

import { BESIDE, focusIn, panelOf, STOP, stepIn } from "./stops";

interface Props extends React.HTMLAttributes<HTMLElement> {
  label: string;
  as?: "section" | "aside" | "nav" | "header";
  /** Whether its things lie side by side: left and right go from one to the next. */
  across?: boolean;
}

export function Panel({ label, as: Tag = "section", across = false, children, ...rest }: Props) {
  const [within, setWithin] = useState(false);
  const box = useRef<HTMLElement>(null);
  useKeptFocus(box);
  return (
    <Tag
      {...rest}
      ref={box as React.RefObject<HTMLDivElement>}
      aria-label={label}
      data-part
      // The panel hands the focus to what had it last; while it is inside, Tab leads out of it.
      tabIndex={within ? -1 : 0}
      onFocus={(event) => {
        if (isElsewhere(box.current, event.target)) return;
        setWithin(true);
        // A press on what takes no focus gives it to the panel: it stays where it is pressed.
        if (event.target === box.current && !pressing) focusIn(box.current);
        else remember(box.current!, event.target);
      }}
      onBlur={(event) => {
        if (!box.current?.contains(event.relatedTarget)) setWithin(false);
      }}
      onKeyDown={(event) => {
        if (event.defaultPrevented || !box.current || isElsewhere(box.current, event.target)) return;
        if (event.ctrlKey || event.metaKey || event.altKey) return;
        if (stepIn(box.current, event.key, event.target as HTMLElement, across)) event.preventDefault();
      }}
    >
      {children}
    </Tag>
  );
}

/** Whether a pointer is down anywhere. */
let pressing = false;
for (const [name, down] of [
  ["pointerdown", true],
  ["pointerup", false],
  ["pointercancel", false],
] as const) {
  window.addEventListener(name, () => (pressing = down), true);
}

/** A menu or dialog opened from a panel has keys of its own, though its events come by. */
function isElsewhere(panel: HTMLElement | null, target: EventTarget): boolean {
  return !panel?.contains(target as Node) || (target as Element).closest("[role=menu], dialog") !== null;
}

function remember(panel: HTMLElement, target: HTMLElement) {
  if (!target.matches(STOP) && !target.matches(BESIDE)) return;
  panel.querySelectorAll("[data-last]").forEach((other) => delete (other as HTMLElement).dataset.last);
  target.dataset.last = "";
}

/** What has the focus may be removed: the focus then goes to what stands in its place. */
function useKeptFocus(box: React.RefObject<HTMLElement | null>) {
  useEffect(() => {
    const panel = box.current!;
    let last: { element: HTMLElement; place: number } | null = null;
    const stops = () => [...panel.querySelectorAll<HTMLElement>(STOP)];
    const onFocusIn = (event: FocusEvent) => {
      const element = event.target as HTMLElement;
      const stop = element.closest<HTMLElement>(STOP);
      last = panel.contains(element) ? { element, place: stop ? stops().indexOf(stop) : -1 } : null;
    };
    const onPress = (event: PointerEvent) => {
      if (!panel.contains(event.target as Node)) last = null;
    };
    const watcher = new MutationObserver(() => {
      if (!last || last.element.isConnected || document.activeElement !== document.body) return;
      const left = stops();
      (left[Math.min(Math.max(last.place, 0), left.length - 1)] ?? panel).focus();
    });
    watcher.observe(panel, { childList: true, subtree: true });
    document.addEventListener("focusin", onFocusIn);
    document.addEventListener("pointerdown", onPress, true);
    return () => {
      watcher.disconnect();
      document.removeEventListener("focusin", onFocusIn);
      document.removeEventListener("pointerdown", onPress, true);
    };
  }, [box]);
}

/** F6 goes from panel to panel, with Shift back. */
export function usePanelKeys() {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "F6" || document.querySelector("dialog[open]")) return;
      event.preventDefault();
      const panels = [...document.querySelectorAll<HTMLElement>("[data-part]")].filter((panel) => panel.offsetParent);
      const here = panels.indexOf(panelOf(document.activeElement)!);
      const step = event.shiftKey ? -1 : 1;
      const next = here < 0 ? (event.shiftKey ? panels.length - 1 : 0) : here + step;
      panels[(next + panels.length) % panels.length]?.focus();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
