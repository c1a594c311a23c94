import { useQuery, useQueryClient } from "@tanstack/react-query";
import { createContext, useCallback, useContext, useEffect, useMemo, type ReactNode } from "react";
import { api, onSignedOut } from "./api";
import { dropKey, keepKey } from "./entryKeys";
import { signedInAs } from "./outbox";
import type { Act, Grade, Session, SignedIn } from "./types";

const SESSION = ["session"];
/** What the service worker keeps of the server's answers. */
const LAST_SAID = "last-said";
/** Whether somebody was signed in here when the page was last open: then what it shows is asked for at once. */
export const WAS_SIGNED_IN = "overturn-was-signed-in";

/** Who is signed in on this device; loading and failing as any query. */
export const useSessionQuery = () =>
  useQuery({ queryKey: SESSION, queryFn: api.session, staleTime: 60_000, retry: false });

/** What begins when somebody has signed in. */
export function useSignedIn() {
  const queries = useQueryClient();
  return useCallback(
    async (session: Session) => {
      const { entryKey, person } = session;
      if (entryKey && person) await keepKey(person.id, entryKey.id, entryKey.secret);
      queries.setQueryData(SESSION, session);
      await queries.resetQueries({ predicate: (query) => query.queryKey[0] !== SESSION[0] });
    },
    [queries],
  );
}

/** Signs out, or hands a shop tablet over: what waits here stays, signed by whoever wrote it. */
export function useSignOut() {
  const queries = useQueryClient();
  return useCallback(async () => {
    await api.signOut();
    await dropKey();
    if (typeof caches !== "undefined") await caches.delete(LAST_SAID);
    await queries.resetQueries({ queryKey: SESSION });
  }, [queries]);
}

/** Somebody who is signed in; in an exercise of one's own everything may be practised. */
type Signed = SignedIn & { practising?: boolean };

const Context = createContext<Signed | undefined>(undefined);

/** Below here is an exercise of whoever is signed in. */
export function Practising({ children }: { children: ReactNode }) {
  const me = useMe();
  const practising = useMemo(() => ({ ...me, practising: true }), [me]);
  return <Context.Provider value={practising}>{children}</Context.Provider>;
}

/** Below here somebody is signed in. */
export function SignedInAs({ person, children }: { person: SignedIn; children: ReactNode }) {
  const queries = useQueryClient();
  useEffect(() => {
    signedInAs(person.id);
    localStorage.setItem(WAS_SIGNED_IN, "yes");
    const stop = onSignedOut(() => void queries.resetQueries({ queryKey: SESSION }));
    return () => {
      stop();
      signedInAs("");
      localStorage.removeItem(WAS_SIGNED_IN);
    };
  }, [person.id, queries]);
  return <Context.Provider value={person}>{children}</Context.Provider>;
}

export function useMe(): Signed {
  const person = useContext(Context);
  if (!person) throw new Error("Impossible: nobody is signed in here");
  return person;
}

/** Whether whoever is signed in may accept a verdict of this grade; every page asks here. */
export function useMayAccept(): (grade: Grade) => boolean {
  const may = useMay();
  return (grade) => may(grade === "PROVEN" ? "ACCEPT_PROVEN" : "ACCEPT_UNPROVEN");
}

/** Whether whoever is signed in may do something. */
export function useMay(): (act: Act) => boolean {
  const { may, practising } = useMe();
  return useMemo(() => (act: Act) => practising === true || may.includes(act), [may, practising]);
}
