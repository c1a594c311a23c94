import { useLayoutEffect, useState, type RefObject } from "react";

/** How wide an element is now, px; the usual width where it is not laid out yet. */
export function useWidth(element: RefObject<HTMLElement | null>, usual: number): number {
  const [width, setWidth] = useState(usual);
  useLayoutEffect(() => {
    const watched = element.current;
    if (!watched) return;
    const measure = () => setWidth(Math.round(watched.clientWidth) || usual);
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(watched);
    return () => observer.disconnect();
  }, [element, usual]);
  return width;
}
