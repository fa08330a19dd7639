/** A picture that is asked for once it is nearly in view: what a browser itself puts off it still asks for some thousand pixels ahead. */
import { useEffect, useRef, useState } from "react";

const AHEAD = "150px";

type Props = Omit<React.ImgHTMLAttributes<HTMLImageElement>, "loading"> & { src: string; alt: string };

export function LaterImage({ src, alt, ...rest }: Props) {
  const image = useRef<HTMLImageElement>(null);
  const [isNear, setIsNear] = useState(false);
  useEffect(() => {
    const element = image.current!;
    const options = { root: scroller(element), rootMargin: AHEAD };
    const watching = new IntersectionObserver((seen) => {
      if (!seen.some((entry) => entry.isIntersecting)) return;
      setIsNear(true);
      watching.disconnect();
    }, options);
    watching.observe(element);
    return () => watching.disconnect();
  }, []);
  return <img {...rest} ref={image} alt={alt} src={isNear ? src : undefined} />;
}

/** What it scrolls in; null for the window. */
function scroller(element: HTMLElement): HTMLElement | null {
  for (let around = element.parentElement; around; around = around.parentElement)
    if (/auto|scroll/.test(getComputedStyle(around).overflowY)) return around;
  return null;
}
