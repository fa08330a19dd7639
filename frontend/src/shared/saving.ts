/** Saving a file that takes a while to be made: how far it is, a way to stop it, and what was said against it. */
import { useEffect, useRef, useState } from "react";

import { Refusal } from "./api/request";
import { download } from "./download";
import { watch, type WorkUnderWay } from "./work";

const STOPPED = "Stopped. No file was saved.";

export interface Saving {
  /** The address that is being fetched, or null. */
  address: string | null;
  /** How far it is, once it takes long. */
  work: WorkUnderWay | null;
  /** What came of the last one, where it was not saved. */
  said: string;
  /** Fetch a file and save it, unless one is being fetched. */
  save: (address: string) => Promise<void>;
}

export function useSaving(): Saving {
  const making = useRef<AbortController | null>(null);
  const [work, setWork] = useState<WorkUnderWay | null>(null);
  const [address, setAddress] = useState<string | null>(null);
  const [said, setSaid] = useState("");
  useEffect(() => () => making.current?.abort(), []);
  const save = async (asked: string) => {
    if (making.current) return;
    const { signal } = (making.current = new AbortController());
    setAddress(asked);
    setSaid("");
    try {
      await watch((named) => download(asked, named, signal), setWork);
    } catch (error) {
      if (signal.aborted) return;
      const stopped = error instanceof Refusal && error.stopped;
      setSaid(stopped ? STOPPED : (error as Error).message);
    } finally {
      making.current = null;
      setAddress(null);
    }
  };
  return { address, work, said, save };
}
