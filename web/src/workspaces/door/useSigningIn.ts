import { useState } from "react";
import { told } from "../../domain/api";
import { useSignedIn } from "../../domain/session";
import type { Session } from "../../domain/types";

/** Tries to sign somebody in, and says why it did not do. */
export function useSigningIn() {
  const begun = useSignedIn();
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState("");
  const attempt = async (session: () => Promise<Session>): Promise<boolean> => {
    setBusy(true);
    setRefused("");
    try {
      await begun(await session());
      return true;
    } catch (e) {
      setRefused(e instanceof Error ? told(e) : String(e));
      return false;
    } finally {
      setBusy(false);
    }
  };
  return { attempt, busy, refused };
}
