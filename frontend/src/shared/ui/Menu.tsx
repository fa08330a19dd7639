/** A button with a menu under it: opened by a press, acted on by Enter, closed by Escape. */
import * as Radix from "@radix-ui/react-dropdown-menu";
import { Ellipsis } from "lucide-react";
import { useState } from "react";

export interface MenuItem {
  label: string;
  onPick: () => unknown;
  /** The key that does the same. */
  keys?: string;
  /** Why it cannot be picked now. */
  off?: string | false;
}

interface Props {
  label: string;
  items: readonly (MenuItem | null)[];
  /** What the button shows; three dots if nothing. */
  children?: React.ReactNode;
  className?: string;
  trigger?: Record<string, unknown>;
}

const DOTS = "grid size-6 shrink-0 cursor-pointer place-items-center rounded-full hover:bg-base-300";

/** `null` among the items draws a line. */
export function Menu({ label, items, children, className = DOTS, trigger }: Props) {
  // It opens within the part of the page that it belongs to.
  const [part, setPart] = useState<HTMLElement | null>(null);
  return (
    <Radix.Root modal={false}>
      <Radix.Trigger
        ref={(element) => setPart(element?.closest<HTMLElement>("header, aside, main, nav") ?? null)}
        aria-label={label}
        title={label}
        className={className}
        {...trigger}
      >
        {children ?? <Ellipsis size={16} aria-hidden />}
      </Radix.Trigger>
      <Radix.Portal container={part}>
        <Radix.Content
          align="end"
          sideOffset={2}
          collisionPadding={8}
          className="z-50 max-h-(--radix-dropdown-menu-content-available-height) min-w-44 overflow-y-auto rounded-box border border-base-content/40 bg-base-100 p-1 shadow-lg"
        >
          {items.map((item, index) =>
            item === null ? (
              <Radix.Separator key={index} className="my-1 h-px bg-base-300" />
            ) : (
              <Radix.Item
                key={item.label}
                disabled={Boolean(item.off)}
                title={item.off || undefined}
                className="flex min-h-7 cursor-pointer items-center gap-4 rounded-field px-2 outline-none data-disabled:cursor-default data-disabled:opacity-55 data-highlighted:bg-base-content data-highlighted:text-base-100"
                onSelect={() => void item.onPick()}
              >
                <span className="flex-1">{item.label}</span>
                {item.keys && <span className="measure opacity-75">{item.keys}</span>}
              </Radix.Item>
            ),
          )}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
