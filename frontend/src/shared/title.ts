/** What the page is called, in the browser's tab and when it is announced. */
import { useEffect } from "react";

export function useTitle(of: string) {
  useEffect(() => {
    document.title = `${of} · Curlet`;
  }, [of]);
}
