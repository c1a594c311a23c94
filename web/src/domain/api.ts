import createClient from "openapi-fetch";
import { noteAnswer } from "./line";
import type { components, paths } from "./generated/api";
import type { FactRequest, FigureRequest, OpenJobRequest, WorkshopRequest, Writes } from "./types";

type Schemas = components["schemas"];

const client = createClient<paths>({ baseUrl: "/" });
client.use({ onResponse: ({ response }) => noteAnswer(response) });

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

const writers: { [K in WriteKind]: (jobId: string, body: Writes[K]) => Promise<void> } = {
  readings: (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/readings", { params: of(id), body, headers: AT_ONCE })),
  strikes: (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/strikes", { params: of(id), body, headers: AT_ONCE })),
  "set-aside": (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/set-aside", { params: of(id), body, headers: AT_ONCE })),
  "take-off": (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/take-off", { params: of(id), body, headers: AT_ONCE })),
  verdict: (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/verdict", { params: of(id), body, headers: AT_ONCE })),
  notes: (id, body) => acknowledged(client.POST("/api/jobs/{id}/notes", { params: of(id), body, headers: AT_ONCE })),
  "work-steps": (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/work-steps", { params: of(id), body, headers: AT_ONCE })),
  strokes: (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/strokes", { params: of(id), body, headers: AT_ONCE })),
  levels: (id, body) => acknowledged(client.POST("/api/jobs/{id}/levels", { params: of(id), body, headers: AT_ONCE })),
  bleeding: (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/bleeding", { params: of(id), body, headers: AT_ONCE })),
  ways: (id, body) => acknowledged(client.POST("/api/jobs/{id}/ways", { params: of(id), body, headers: AT_ONCE })),
  fluid: (id, body) => acknowledged(client.POST("/api/jobs/{id}/fluid", { params: of(id), body, headers: AT_ONCE })),
  photos: (id, body) => acknowledged(client.POST("/api/jobs/{id}/photos", { params: of(id), body, headers: AT_ONCE })),
  walks: (id, body) => acknowledged(client.POST("/api/jobs/{id}/walks", { params: of(id), body, headers: AT_ONCE })),
  rests: (id, body) => acknowledged(client.POST("/api/jobs/{id}/rests", { params: of(id), body, headers: AT_ONCE })),
  checks: (id, body) => acknowledged(client.POST("/api/jobs/{id}/checks", { params: of(id), body, headers: AT_ONCE })),
  parts: (id, body) => acknowledged(client.POST("/api/jobs/{id}/parts", { params: of(id), body, headers: AT_ONCE })),
  withdrawal: (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/withdrawal", { params: of(id), body, headers: AT_ONCE })),
  release: (id, body) =>
    acknowledged(client.POST("/api/jobs/{id}/release", { params: of(id), body, headers: AT_ONCE })),
};

/** Where the picture of an entry is. */
export const photoFile = (sha256: string) => `/api/photos/${sha256}`;
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
  saveLayout: (personId: string, file: Record<string, unknown>) =>
    taken(client.POST("/api/layouts", { params: { query: { personId } }, body: file })),
  withdrawLayout: (personId: string, id: string) =>
    taken(client.POST("/api/layouts/{id}/withdrawal", { params: { path: { id }, query: { personId } } })),
  workshop: () => taken(client.GET("/api/workshop")),
  present: (id: string, deviceId: string, personId: string, doing?: string) =>
    taken(
      client.PUT("/api/jobs/{id}/presence", {
        params: of(id),
        body: { deviceId, personId, ...(doing === undefined ? {} : { doing }) },
      }),
    ),
  call: (id: string, body: Schemas["CallRequest"]) =>
    client.PUT("/api/jobs/{id}/presence/call", { params: of(id), body }),
  tellPrices: (version: number, personId: string, table: string) =>
    taken(
      client.PUT("/api/workshop/prices.csv", {
        params: { query: { version, personId } },
        body: table,
        bodySerializer: (body) => body,
        headers: { "Content-Type": "text/csv" },
      }),
    ),
  tellWorkshop: (body: WorkshopRequest) => taken(client.PUT("/api/workshop", { body })),
  takeJobFile: (text: string) => taken(client.POST("/api/job-files", { body: text, bodySerializer: (body) => body })),
  open: (body: OpenJobRequest) => acknowledged(client.POST("/api/jobs", { body, headers: AT_ONCE })),
  /** Whether the server answers at all. */
  answers: async (): Promise<boolean> => {
    try {
      await fetch("/api/health", { cache: "no-store" });
      return true;
    } catch {
      return false;
    }
  },
  write: <K extends WriteKind>(jobId: string, kind: K, body: Writes[K]) => writers[kind](jobId, body),
};
