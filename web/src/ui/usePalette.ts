import { useEffect, useSyncExternalStore } from "react";

let open = false;
const listeners = new Set<() => void>();

/** Opens the palette, or closes it. */
export function showPalette(now: boolean) {
  open = now;
  listeners.forEach((listener) => listener());
}

/** Whether the palette is open; Ctrl or Command and K opens and closes it. */
export function usePalette(): boolean {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "k") {
        e.preventDefault();
        showPalette(!open);
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => open,
  );
}
