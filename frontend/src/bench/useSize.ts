/** An element's size in px, followed. */
import { useLayoutEffect, useRef, useState } from "react";

export function useSize<T extends HTMLElement>() {
  const box = useRef<T>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const watcher = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width: Math.floor(width), height: Math.floor(height) });
    });
    watcher.observe(box.current!);
    return () => watcher.disconnect();
  }, []);
  return [box, size] as const;
}
