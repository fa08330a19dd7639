/** Files that take a while to be made: fetched, so that they can be stopped, and then saved. */
import { fileAt } from "./api/request";
import type { Work } from "./work";

/** Fetch a file and save it under the name that the server gives it. Throws what the server says against it. */
export async function download(address: string, work: Work | null = null, signal?: AbortSignal): Promise<void> {
  const reply = await fileAt(address, work, signal);
  const link = document.createElement("a");
  link.href = URL.createObjectURL(await reply.blob());
  link.download = nameIn(reply.headers.get("Content-Disposition") ?? "");
  link.click();
  // The browser has begun to save it once this turn is over.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}

/** The file's name in any script (RFC 6266, filename*). */
function nameIn(header: string): string {
  const match = /filename\*=UTF-8''([^;]+)/.exec(header);
  return match ? decodeURIComponent(match[1]!) : "curlet";
}
