import "fake-indexeddb/auto";
import { cleanup } from "@testing-library/react";
import { afterEach, beforeEach, vi } from "vitest";

/** What the browser has and the simulated one of the tests lacks. */

const HERE = "http://127.0.0.1/";

/** One write that a page has sent. */
export interface Sent {
  path: string;
  body: unknown;
}

/** What the server answers, by address, as JSON or as a stream; what is not here is not found. A write is acknowledged, and answered where `POST` and its address are here. */
export let answers: Record<string, unknown> = {};
export let sent: Sent[] = [];

export const answer = (by: Record<string, unknown>) => {
  answers = { ...answers, ...by };
};

/** Addresses that have no answer, whatever is sent there; the line is cut. */
let away = false;
export const cutTheLine = () => {
  away = true;
};

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });

async function server(request: Request): Promise<Response> {
  if (away) throw new TypeError("Failed to fetch");
  const { pathname } = new URL(request.url);
  if (pathname.endsWith("/presence")) return json([]);
  if (request.method !== "GET") {
    sent.push({ path: pathname, body: await request.json() });
    const own = answers[`${request.method} ${pathname}`];
    return own === undefined ? json({}, 202) : json(own);
  }
  const own = answers[pathname];
  if (own instanceof ReadableStream) return new Response(own as ReadableStream<Uint8Array>);
  return pathname in answers ? json(own) : json({ detail: `No ${pathname}` }, 404);
}

const NodeRequest = globalThis.Request;
vi.stubGlobal(
  "Request",
  class extends NodeRequest {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === "string" ? new URL(input, HERE) : input, init);
    }
  },
);
vi.stubGlobal("fetch", (input: RequestInfo | URL, init?: RequestInit) => server(new Request(input, init)));
vi.stubGlobal(
  "ResizeObserver",
  class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
);
vi.stubGlobal("matchMedia", (media: string) => ({
  media,
  matches: media.includes("min-width"),
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
}));
Object.assign(SVGElement.prototype, { getBBox: () => new DOMRect() });
window.scrollTo = () => undefined;
Element.prototype.scrollIntoView = () => undefined;

beforeEach(() => {
  answers = {};
  sent = [];
  away = false;
  localStorage.clear();
});
afterEach(cleanup);
