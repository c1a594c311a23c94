import { useSyncExternalStore } from "react";

/** What the device knows of the line to the server and of the pages it runs. */
interface Line {
  /** When the server said what is shown, where it is what it last said; empty while it answers. */
  keptSince: string;
  /** Takes the new version of the pages into use; undefined while these are the latest. */
  renew: (() => void) | undefined;
}

let line: Line = { keptSince: "", renew: undefined };
const listeners = new Set<() => void>();

function tell(change: Partial<Line>) {
  line = { ...line, ...change };
  listeners.forEach((listener) => listener());
}

/** Header that the service worker sets on what it kept of an earlier answer. */
const KEPT = "Overturn-Kept";

/** Notes whether an answer came from the server or from what was kept of it. */
export function noteAnswer(response: Response) {
  const keptSince = response.headers.get(KEPT) ?? "";
  if (keptSince !== line.keptSince) tell({ keptSince });
}

/** The browser knows that it has no line before anything is asked: it is said then, and not when a request fails. */
if (typeof window !== "undefined") {
  window.addEventListener("offline", () => tell({ keptSince: line.keptSince || new Date().toISOString() }));
  window.addEventListener("online", () => tell({ keptSince: "" }));
}

export const offerNewVersion = (renew: () => void) => tell({ renew });

export function useLine(): Line {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => line,
  );
}
