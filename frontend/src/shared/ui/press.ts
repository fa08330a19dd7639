/** What answers like a button though it is drawn: pressed by hand, by Enter and by Space. */
import type { KeyboardEvent } from "react";

import { stop } from "./stops";

export function pressed(press: () => void) {
  return {
    role: "button",
    ...stop,
    onClick: press,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== "Enter" && event.key !== " ") return;
      event.preventDefault();
      press();
    },
  } as const;
}
