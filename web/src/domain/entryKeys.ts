import canonicalize from "canonicalize";
import { openDB, type DBSchema, type IDBPDatabase } from "idb";

/** With what this device signs what somebody enters; the page can sign with it and cannot read it. */
interface EntryKey {
  personId: string;
  keyId: string;
  key: CryptoKey;
}

interface Kept extends DBSchema {
  keys: { key: string; value: EntryKey };
}

const CURRENT = "current";
const ALGORITHM = { name: "HMAC", hash: "SHA-256" };

let opened: Promise<IDBPDatabase<Kept>> | undefined;

function store(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>("overturn-keys", 1, { upgrade: (db) => void db.createObjectStore("keys") });
  return opened;
}

/** Keeps the key of whoever has just signed in; the one before is gone. */
export async function keepKey(personId: string, keyId: string, secret: string): Promise<void> {
  const bytes = Uint8Array.from(atob(secret.replaceAll("-", "+").replaceAll("_", "/")), (c) => c.charCodeAt(0));
  const key = await crypto.subtle.importKey("raw", bytes, ALGORITHM, false, ["sign"]);
  await (await store()).put("keys", { personId, keyId, key }, CURRENT);
}

/** Nobody signs on this device any more. */
export const dropKey = async (): Promise<void> => (await store()).delete("keys", CURRENT);

/**
 * The signature under an entry: the address it goes to and its canonical body (RFC 8785), without its place in the log and its age. Undefined where this
 * person has no key on this device.
 */
export async function signed(personId: string, path: string, body: object): Promise<string | undefined> {
  const known = await (await store()).get("keys", CURRENT);
  if (known?.personId !== personId) return undefined;
  const { sequence: _place, takenSecondsAgo: _age, ...said } = body as Record<string, unknown>;
  const text = `${path}\n${canonicalize(said) ?? ""}`;
  const signature = await crypto.subtle.sign(ALGORITHM, known.key, new TextEncoder().encode(text));
  const plain = btoa(String.fromCharCode(...new Uint8Array(signature)));
  return `${known.keyId}.${plain.replaceAll("+", "-").replaceAll("/", "_").replaceAll("=", "")}`;
}
