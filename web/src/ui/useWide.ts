import { useSyncExternalStore } from "react";

const WIDE = "(min-width: 40rem)";

const watch = (changed: () => void) => {
  const media = window.matchMedia(WIDE);
  media.addEventListener("change", changed);
  return () => media.removeEventListener("change", changed);
};

/** Whether there is room beside a thumb: a tablet or a bench, no phone. */
export const useWide = (): boolean => useSyncExternalStore(watch, () => window.matchMedia(WIDE).matches);
