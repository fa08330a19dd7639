/** Views that are fetched by themselves, so that the page starts without them. */
import { type ComponentType, lazy, type LazyExoticComponent } from "react";
import { create } from "zustand";

type Later<Props> = LazyExoticComponent<ComponentType<Props>> & {
  /** Fetch it before it is shown. */
  fetch: () => void;
};

/** Whether a view is waited for that could not be fetched. */
export const useAway = create(() => ({ away: false }));

/** What could not be fetched is asked for again after so long, ms. */
const AGAIN = 2_000;
/** The page is not loaded anew twice within so long, ms. */
const LATELY = 60_000;
const RELOADED = "curlet-reloaded";

/** A view that is fetched when it is shown, or before. */
export function later<Props>(load: () => Promise<ComponentType<Props>>): Later<Props> {
  const shown = lazy(async () => ({ default: await untilThere(load) }));
  return Object.assign(shown, { fetch: () => void load().catch(() => undefined) });
}

/** Once the page has nothing else to do. */
export function whenIdle(work: () => void) {
  if ("requestIdleCallback" in window) requestIdleCallback(work);
  else setTimeout(work, 500);
}

/** While the server is away it is asked again. Where it is there but has no such file, it is of another version: the
 * page is loaded anew. */
async function untilThere<View>(load: () => Promise<View>): Promise<View> {
  for (;;) {
    try {
      const view = await load();
      useAway.setState({ away: false });
      return view;
    } catch (error) {
      if (await isThere()) {
        const last = Number(sessionStorage.getItem(RELOADED));
        if (Date.now() - last < LATELY) {
          useAway.setState({ away: false });
          throw error;
        }
        sessionStorage.setItem(RELOADED, String(Date.now()));
        location.reload();
      }
      useAway.setState({ away: true });
      await new Promise((done) => setTimeout(done, AGAIN));
    }
  }
}

async function isThere() {
  return fetch(location.href, { method: "HEAD", cache: "no-store" }).then(
    (reply) => reply.ok,
    () => false,
  );
}
