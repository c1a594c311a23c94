import { useEffect } from "react";
import { useSignOut } from "../domain/session";

const LOOK_EVERY_MS = 10_000;

/** Hands a shop tablet back to its names when nobody has touched it for a while; without a line it stays open, since nobody could take over. */
export function useIdleLock(shared: boolean, minutes: number) {
  const signOut = useSignOut();
  useEffect(() => {
    if (!shared) return;
    let touched = Date.now();
    const touch = () => (touched = Date.now());
    const events = ["pointerdown", "keydown", "wheel"] as const;
    events.forEach((name) => window.addEventListener(name, touch, { passive: true }));
    const timer = window.setInterval(() => {
      if (navigator.onLine && Date.now() - touched > minutes * 60_000) void signOut().catch(() => undefined);
    }, LOOK_EVERY_MS);
    return () => {
      window.clearInterval(timer);
      events.forEach((name) => window.removeEventListener(name, touch));
    };
  }, [shared, minutes, signOut]);
}
