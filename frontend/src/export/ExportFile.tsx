/** The button, and while the file is being made how far it is and a way to stop it. */
import { useEffect, useRef, useState } from "react";

import { Refusal } from "@/shared/api/request";
import { download } from "@/shared/download";
import { watch, workWords, type WorkUnderWay } from "@/shared/work";

export function ExportFile({ address, words }: { address: string; words: string }) {
  const making = useRef<AbortController | null>(null);
  const [work, setWork] = useState<WorkUnderWay | null>(null);
  const [isMaking, setIsMaking] = useState(false);
  const [said, setSaid] = useState("");
  useEffect(() => () => making.current?.abort(), []);
  const begin = async (event: React.MouseEvent) => {
    event.preventDefault();
    if (making.current) return;
    const { signal } = (making.current = new AbortController());
    setIsMaking(true);
    setSaid("");
    try {
      await watch((named) => download(address, named, signal), setWork);
    } catch (error) {
      if (signal.aborted) return;
      const stopped = error instanceof Refusal && error.stopped;
      setSaid(stopped ? "Stopped. No file was saved." : (error as Error).message);
    } finally {
      making.current = null;
      setIsMaking(false);
    }
  };
  return (
    <>
      <a
        className="rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
        href={address}
        download
        data-testid="export-file"
        onClick={(event) => void begin(event)}
      >
        {isMaking ? "Making the file …" : words}
      </a>
      {work && (
        <button
          className="cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content"
          onClick={work.stop}
        >
          Stop
        </button>
      )}
      <p role="status" className="order-last basis-full text-[12px]">
        {work && workWords(work)}
      </p>
      {said && (
        <p role="alert" className="order-last basis-full text-[12px]">
          {said}
        </p>
      )}
    </>
  );
}
