import createClient from "openapi-fetch";
import type { paths } from "./generated/api";
import type {
  Calculation,
  Calculator,
  Catalogue,
  CheckedLayout,
  FigureRequest,
  Job,
  JobList,
  Layout,
  OpenJobRequest,
  Test,
  Workshop,
  WorkshopRequest,
} from "./types";

const client = createClient<paths>({ baseUrl: "/" });

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

/** The writes that add to a log, by the last part of their address. */
export type WriteKind = "readings" | "strikes" | "set-aside" | "take-off" | "verdict" | "notes";

export const api = {
  words: () => taken<Record<string, string>>(client.GET("/api/words")),
  catalogue: () => taken<Catalogue>(client.GET("/api/catalogue")),
  jobs: (query: { stage: string; search: string; after?: string }) =>
    taken<JobList>(client.GET("/api/jobs", { params: { query } })),
  job: (id: string) => taken<Job>(client.GET("/api/jobs/{id}", { params: { path: { id } } })),
  test: (id: string, procedureId: string) =>
    taken<Test>(client.GET("/api/jobs/{id}/tests/{procedureId}", { params: { path: { id, procedureId } } })),
  calculators: (layoutId: string) =>
    taken<Calculator[]>(client.GET("/api/calculators", { params: { query: { layoutId } } })),
  calculate: (id: string, layoutId: string, columns: FigureRequest[][]) =>
    taken<Calculation>(
      client.POST("/api/calculators/{id}", {
        params: { path: { id } },
        body: { layoutId, columns: columns.map((inputs) => ({ inputs })) },
      }),
    ),
  schema: () => taken<unknown>(client.GET("/api/layout-schema")),
  layoutFile: (id: string) => taken<unknown>(client.GET("/api/layouts/{id}", { params: { path: { id } } })),
  checkLayout: (file: object) => taken<CheckedLayout>(client.POST("/api/layouts/check", { body: file as never })),
  saveLayout: (personId: string, file: object) =>
    taken<Layout>(client.POST("/api/layouts", { params: { query: { personId } }, body: file as never })),
  withdrawLayout: (personId: string, id: string) =>
    taken<Layout>(client.POST("/api/layouts/{id}/withdrawal", { params: { path: { id }, query: { personId } } })),
  workshop: () => taken<Workshop>(client.GET("/api/workshop")),
  tellWorkshop: (body: WorkshopRequest) => taken<Workshop>(client.PUT("/api/workshop", { body })),
  open: (body: OpenJobRequest) => taken<Job>(client.POST("/api/jobs", { body })),
  write: (jobId: string, kind: WriteKind, body: object) =>
    taken<Job>(
      client.POST(`/api/jobs/{id}/${kind}` as "/api/jobs/{id}/verdict", {
        params: { path: { id: jobId } },
        body: body as never,
      }),
    ),
};
