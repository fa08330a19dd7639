/** What answers like a button though it is drawn: pressed by hand, by Enter and by Space. */
import type { KeyboardEvent } from "react";

export function pressed(press: () => void) {
  return {
    role: "button",
    tabIndex: 0,
    onClick: press,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== "Enter" && event.key !== " ") return;
      event.preventDefault();
      press();
    },
  } as const;
}
