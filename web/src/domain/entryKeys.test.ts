import "fake-indexeddb/auto";
import { expect, it } from "vitest";
import { dropKey, keepKey, signed } from "./entryKeys";

/** "thirty-two bytes of a secret key" in base64url. */
const SECRET = "dGhpcnR5LXR3byBieXRlcyBvZiBhIHNlY3JldCBrZXk";

it("signs the address and the canonical body, by whoever is signed in and by nobody else", async () => {
  await keepKey("marit-osei", "k1", SECRET);
  // openssl dgst -sha256 -hmac over: /api/jobs/j1/notes, a new line, {"entryId":"e1","minutes":4.5,"text":"über den Berg"}
  const expected = "OnOoG1lNEnR0NikYX8ub73svDDFyQVHDJU-0HQ-6Q-8";
  const body = { text: "über den Berg", entryId: "e1", minutes: 4.5, left: undefined };
  expect(await signed("marit-osei", "/api/jobs/j1/notes", body)).toBe(`k1.${expected}`);
  expect(await signed("juno-vale", "/api/jobs/j1/notes", body)).toBeUndefined();
});

it("signs nothing once the device is handed over", async () => {
  await keepKey("marit-osei", "k1", SECRET);
  await dropKey();
  expect(await signed("marit-osei", "/api/jobs", {})).toBeUndefined();
});
