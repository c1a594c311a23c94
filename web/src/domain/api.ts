import createClient from "openapi-fetch";
import { noteAnswer } from "./line";
import type { components, paths } from "./generated/api";
import type { FactRequest, FigureRequest, OpenJobRequest, WorkshopRequest, Writes } from "./types";

type Schemas = components["schemas"];

const client = createClient<paths>({ baseUrl: "/" });

const signedOut = new Set<() => void>();
/** Calls back when the server says that nobody is signed in here any more. */
export function onSignedOut(listener: () => void): () => void {
  signedOut.add(listener);
  return () => void signedOut.delete(listener);
}

let actingAs = "";
/** As whom this page writes; in another tab somebody else may have signed in since. */
export const actAs = (personId: string): void => void (actingAs = personId);

/** What the server gave this page against requests that others forge (a cookie that only own pages can read). */
const ownPage = () => /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? "";

client.use({
  onRequest: ({ request }) => {
    if (request.method === "GET") return;
    request.headers.set("X-XSRF-TOKEN", ownPage());
    if (actingAs !== "" && !new URL(request.url).pathname.startsWith("/api/session"))
      request.headers.set("Acting-As", actingAs);
  },
  onResponse: ({ request, response }) => {
    noteAnswer(response);
    if (response.status === 401 && !new URL(request.url).pathname.startsWith("/api/session"))
      signedOut.forEach((listener) => listener());
  },
});

/** What is wrong with one field. */
export interface Finding {
  field: string;
  given: string;
  allowed: string;
}

/** A refusal told by the server (RFC 9457), or no answer at all (status 0). */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    message: string,
    readonly findings: Finding[] = [],
  ) {
    super(message);
  }

  /** The server cannot be reached or cannot write just now; sending again may do. */
  get passing(): boolean {
    return this.status === 0 || this.status === 408 || this.status >= 500;
  }

  /** Somebody else entered something meanwhile. */
  get busy(): boolean {
    return this.type.endsWith("log-has-grown");
  }
}

/** What was refused, and each field that is wrong. */
export function told(error: Error): string {
  const findings = error instanceof Refusal ? error.findings.map((f) => `${f.field}: ${f.given}, ${f.allowed}`) : [];
  return [error.message, ...findings].join(" · ");
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

async function taken<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch {
    throw new Refusal(0, "away", "The server does not answer");
  }
  if (answer.response.ok && answer.data !== undefined) {
    return answer.data;
  }
  const problem = (answer.error ?? {}) as { type?: string; detail?: string; findings?: Finding[] };
  throw new Refusal(
    answer.response.status,
    problem.type ?? "",
    problem.detail ?? "The server refused",
    problem.findings ?? [],
  );
}

/** The answer to a write that does not wait for what follows from it: taken once it is in the log. */
async function acknowledged(call: Promise<Answer<unknown>>): Promise<void> {
  await taken(call.then((answer) => ({ ...answer, data: answer.response.ok ? true : undefined })));
}

const AT_ONCE = { Prefer: "respond-async" };

/** The writes that add to a log, by the last part of their address. */
export type WriteKind = Exclude<keyof Writes, "jobs">;

const of = (id: string) => ({ path: { id } });

/** The signature under an entry that waited, in its header. */
const stamped = (signature: string | undefined) =>
  signature === undefined ? AT_ONCE : { ...AT_ONCE, "Entry-Signature": signature };

type Writer<K extends WriteKind> = (jobId: string, body: Writes[K], signature?: string) => Promise<void>;

/** A writer to the part of a job at one address; each address takes its own body. */
const to =
  <K extends WriteKind>(kind: K): Writer<K> =>
  (id, body, signature) =>
    acknowledged(
      client.POST(`/api/jobs/{id}/${kind}` as "/api/jobs/{id}/notes", {
        params: of(id),
        body: body as unknown as Writes["notes"],
        headers: stamped(signature),
      }),
    );

const writers: { [K in WriteKind]: Writer<K> } = {
  readings: to("readings"),
  strikes: to("strikes"),
  "set-aside": to("set-aside"),
  "take-off": to("take-off"),
  verdict: to("verdict"),
  notes: to("notes"),
  "work-steps": to("work-steps"),
  strokes: to("strokes"),
  levels: to("levels"),
  bleeding: to("bleeding"),
  ways: to("ways"),
  fluid: to("fluid"),
  photos: to("photos"),
  traces: to("traces"),
  walks: to("walks"),
  rests: to("rests"),
  checks: to("checks"),
  parts: to("parts"),
  withdrawal: to("withdrawal"),
  "second-checks": to("second-checks"),
  release: to("release"),
};

/** Where the picture of an entry is. */
export const photoFile = (sha256: string) => `/api/photos/${sha256}`;
/** Where the vehicle of an exercise is watched. */
export const liveRig = (id: string) => `/api/practice/exercises/${id}/live`;
/** Where an instrument of the workshop is listened to. */
export const instrumentStream = (id: string) => `/api/instruments/${id}/stream`;
/** Where what was learned here is fetched as a file. */
export const FREQUENCIES_FILE = "/api/learning/frequencies";
/** Where a job is fetched as a file. */
export const jobFile = (id: string) => `/api/jobs/${id}/file`;

export const api = {
  words: () => taken(client.GET("/api/words")),
  catalogue: () => taken(client.GET("/api/catalogue")),
  jobs: (query: { stage: string; search: string; after?: string }) =>
    taken(client.GET("/api/jobs", { params: { query } })),
  job: (id: string) => taken(client.GET("/api/jobs/{id}", { params: of(id) })),
  vehicles: (search: string) => taken(client.GET("/api/vehicles", { params: { query: { search } } })),
  vehicle: (id: string) => taken(client.GET("/api/vehicles/{id}", { params: of(id) })),
  eraseVehicle: (id: string, why: string) =>
    taken(client.POST("/api/vehicles/{id}/erasure", { params: of(id), body: { why } })),
  addFact: (id: string, body: FactRequest) => taken(client.POST("/api/vehicles/{id}/facts", { params: of(id), body })),
  test: (id: string, procedureId: string) =>
    taken(client.GET("/api/jobs/{id}/tests/{procedureId}", { params: { path: { id, procedureId } } })),
  part: (id: string, componentId: string) =>
    taken(client.GET("/api/jobs/{id}/parts/{componentId}", { params: { path: { id, componentId } } })),
  calculators: (layoutId: string) => taken(client.GET("/api/calculators", { params: { query: { layoutId } } })),
  calculate: (id: string, layoutId: string, columns: FigureRequest[][]) =>
    taken(
      client.POST("/api/calculators/{id}", {
        params: of(id),
        body: { layoutId, columns: columns.map((inputs) => ({ inputs })) },
      }),
    ),
  schema: () => taken(client.GET("/api/layout-schema")),
  layoutFile: (id: string) => taken(client.GET("/api/layouts/{id}", { params: of(id) })),
  checkLayout: (file: Record<string, unknown>) => taken(client.POST("/api/layouts/check", { body: file })),
  saveLayout: (file: Record<string, unknown>) => taken(client.POST("/api/layouts", { body: file })),
  withdrawLayout: (id: string) => taken(client.POST("/api/layouts/{id}/withdrawal", { params: of(id) })),
  workshop: () => taken(client.GET("/api/workshop")),
  present: (id: string, deviceId: string, doing?: string) =>
    taken(
      client.PUT("/api/jobs/{id}/presence", {
        params: of(id),
        body: { deviceId, ...(doing === undefined ? {} : { doing }) },
      }),
    ),
  call: (id: string, body: Schemas["CallRequest"]) =>
    client.PUT("/api/jobs/{id}/presence/call", { params: of(id), body }),
  tellPrices: (version: number, table: string) =>
    taken(
      client.PUT("/api/workshop/prices.csv", {
        params: { query: { version } },
        body: table,
        bodySerializer: (body) => body,
        headers: { "Content-Type": "text/csv" },
      }),
    ),
  tellWorkshop: (body: WorkshopRequest) => taken(client.PUT("/api/workshop", { body })),
  takeJobFile: (text: string) => taken(client.POST("/api/job-files", { body: text, bodySerializer: (body) => body })),
  open: (body: OpenJobRequest, signature?: string) =>
    acknowledged(client.POST("/api/jobs", { body, headers: stamped(signature) })),
  /** Whether the server answers at all. */
  answers: async (): Promise<boolean> => {
    try {
      await fetch("/api/health", { cache: "no-store" });
      return true;
    } catch {
      return false;
    }
  },
  write: <K extends WriteKind>(jobId: string, kind: K, body: Writes[K], signature?: string) =>
    writers[kind](jobId, body, signature),
  readTrace: (table: string, time?: string, value?: string) =>
    taken(
      client.POST("/api/traces", {
        params: { query: time === undefined || value === undefined ? {} : { time, value } },
        body: table,
        bodySerializer: (body) => body,
        headers: { "Content-Type": "text/csv" },
      }),
    ),
  record: (query: Record<string, string>, after?: string) =>
    taken(client.GET("/api/record", { params: { query: { ...query, ...(after === undefined ? {} : { after }) } } })),
  before: (query: { layoutId: string; vehicleId?: string; vehicle?: string }) =>
    taken(client.GET("/api/record/before", { params: { query } })),
  insights: (months?: number) =>
    taken(client.GET("/api/record/insights", { params: { query: months === undefined ? {} : { months } } })),
  filters: () => taken(client.GET("/api/record/filters")),
  keepFilter: (name: string, query: string) => taken(client.PUT("/api/record/filters", { body: { name, query } })),
  dropFilter: (name: string) => taken(client.DELETE("/api/record/filters", { params: { query: { name } } })),
  learning: (layoutId: string) => taken(client.GET("/api/learning", { params: { query: { layoutId } } })),
  tellLearning: (body: Schemas["LearningRequest"]) => taken(client.PUT("/api/learning", { body })),
  takeFrequencies: (name: string, file: Schemas["FrequenciesFile"]) =>
    taken(client.POST(FREQUENCIES_FILE, { body: { id: crypto.randomUUID(), name, file } })),
  instruments: () => taken(client.GET("/api/instruments")),
  registerInstrument: (serial: string, name: string) =>
    taken(client.POST("/api/instruments", { body: { id: crypto.randomUUID(), serial, name } })),
  retireInstrument: (id: string) => taken(client.DELETE("/api/instruments/{id}", { params: of(id) })),
  backups: () => taken(client.GET("/api/backups")),
  server: () => taken(client.GET("/api/server")),
  practice: () => taken(client.GET("/api/practice")),
  practiceResults: () => taken(client.GET("/api/practice/results")),
  setExercise: (body: Schemas["SetRequest"]) => taken(client.POST("/api/practice/exercises", { body })),
  exercise: (id: string) => taken(client.GET("/api/practice/exercises/{id}", { params: of(id) })),
  rigAct: (id: string, body: Schemas["ActRequest"]) =>
    taken(client.POST("/api/practice/exercises/{id}/acts", { params: of(id), body })),
  rigTest: (id: string, body: Schemas["TestRequest"]) =>
    taken(client.POST("/api/practice/exercises/{id}/tests", { params: of(id), body })),
  askRig: (id: string) =>
    acknowledged(
      client.POST("/api/practice/exercises/{id}/help", { params: of(id), body: { entryId: crypto.randomUUID() } }),
    ),
  sure: (id: string, remedyId: string, percent: number) =>
    acknowledged(
      client.POST("/api/practice/exercises/{id}/sure", {
        params: of(id),
        body: { entryId: crypto.randomUUID(), remedyId, percent },
      }),
    ),
  feltNow: (id: string) => taken(client.GET("/api/practice/exercises/{id}/felt", { params: of(id) })),
  endExercise: (id: string, entryId: string) =>
    taken(client.POST("/api/practice/exercises/{id}/end", { params: of(id), body: { entryId } })),
  debrief: (id: string) => taken(client.GET("/api/practice/exercises/{id}/debrief", { params: of(id) })),
  session: () => taken(client.GET("/api/session")),
  signIn: (name: string, password: string) => taken(client.POST("/api/session", { body: { name, password } })),
  handOver: (personId: string, pin: string) =>
    taken(client.POST("/api/session/hand-over", { body: { personId, pin } })),
  signOut: () => acknowledged(client.DELETE("/api/session")),
  whoseLink: (token: string) => taken(client.POST("/api/session/welcome", { body: { token } })),
  setPassword: (token: string, password: string, name?: string) =>
    taken(client.POST("/api/session/password", { body: { token, password, ...(name === undefined ? {} : { name }) } })),
  changeSecrets: (body: Schemas["SecretRequest"]) => acknowledged(client.POST("/api/session/secrets", { body })),
  people: () => taken(client.GET("/api/people")),
  peopleLog: () => taken(client.GET("/api/people-log")),
  addPerson: (body: Schemas["AddPersonRequest"]) => taken(client.POST("/api/people", { body })),
  changePerson: (id: string, body: Schemas["ChangePersonRequest"]) =>
    taken(client.PUT("/api/people/{id}", { params: of(id), body })),
  newLink: (id: string) => taken(client.POST("/api/people/{id}/link", { params: of(id) })),
  eraseName: (id: string) => taken(client.DELETE("/api/people/{id}/name", { params: of(id) })),
  resetPin: (id: string) => acknowledged(client.DELETE("/api/people/{id}/pin", { params: of(id) })),
  network: () => taken(client.GET("/api/network")),
  tablets: () => taken(client.GET("/api/tablets")),
  enrolTablet: (name: string, password: string) =>
    acknowledged(client.POST("/api/tablets", { body: { name, password } })),
  withdrawTablet: (id: string) => acknowledged(client.DELETE("/api/tablets/{id}", { params: of(id) })),
  tokens: () => taken(client.GET("/api/tokens")),
  makeToken: (name: string, scopes: string[]) => taken(client.POST("/api/tokens", { body: { name, scopes } })),
  withdrawToken: (id: string) => acknowledged(client.DELETE("/api/tokens/{id}", { params: of(id) })),
};
