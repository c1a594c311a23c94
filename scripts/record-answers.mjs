/**
 * Records what the server answers at three places of a lever-brake job, for the tests of single pages:
 *     DEMO_PASSWORD=… node scripts/record-answers.mjs http://127.0.0.1:8117
 */
import { writeFile } from "node:fs/promises";

const server = process.argv[2] ?? "http://127.0.0.1:8117";
const LAYOUT = "wisp-courier-brake";
const PERSON = "tobias-renn";
const answers = new URL("../web/src/test/answers/", import.meta.url);

const cookies = new Map();
async function ask(path, request = {}) {
  const cookie = [...cookies].map((pair) => pair.join("=")).join("; ");
  const headers = { "Content-Type": "application/json", Cookie: cookie, "X-XSRF-TOKEN": cookies.get("XSRF-TOKEN") ?? "" };
  const response = await fetch(server + path, { ...request, headers });
  for (const set of response.headers.getSetCookie()) cookies.set(...set.split(";")[0].split(/=(.*)/s, 2));
  return response;
}
const get = async (path) => (await ask(path)).json();
async function post(path, body) {
  const response = await ask(path, { method: "POST", body: JSON.stringify(body) });
  const said = await response.json();
  if (!response.ok) throw new Error(`${path} ${JSON.stringify(body)}: ${JSON.stringify(said)}`);
  return said;
}
const keep = (name, answer) => writeFile(new URL(`${name}.json`, answers), `${JSON.stringify(answer)}\n`);

await get("/api/session");
await post("/api/session", { name: PERSON, password: process.env.DEMO_PASSWORD });

const catalogue = await get("/api/catalogue");
await keep("catalogue", { ...catalogue, layouts: catalogue.layouts.filter((layout) => layout.id === LAYOUT) });

const jobId = "0c6a8c1e-3a5e-4f0f-9a57-00000000b1ed".replace("0c6a8c1e", Date.now().toString(16).slice(-8));
let job = await post("/api/jobs", {
  jobId,
  entryId: crypto.randomUUID(),
  readingId: crypto.randomUUID(),
  vehicle: `Wisp ${jobId.slice(0, 4)}`,
  layoutId: LAYOUT,
  complaint: "Lever sinks to the bar under a steady hand",
  behaviour: "sinks",
  mayBeMoved: false,
  recentWork: false,
  age: "UNKNOWN",
  sometimes: false,
});
const enter = async (kind, body) => {
  job = await post(`/api/jobs/${jobId}/${kind}`, {
    entryId: crypto.randomUUID(),
    sequence: job.sequence,
    ...body,
  });
  return job;
};
await enter("readings", {
  procedureId: "free-play",
  figures: [{ id: "play", text: "4", unit: "mm" }],
  observed: "",
  rigCheck: "sound",
  anotherRig: false,
});
await keep("tracing", job);
await keep("test", await get(`/api/jobs/${jobId}/tests/travel-at-forces`));
await enter("verdict", {
  remedyIds: [job.assessment.verdict.remedyId],
  grade: job.assessment.verdict.grade,
  why: "Recorded for tests",
});
/** Does what comes next until it is of this kind. */
async function until(kind) {
  for (let acts = 0; acts < 90 && job.status.next.kind !== kind; acts++) {
    const { next } = job.status;
    const step = job.repair.steps.find((s) => s.key === next.subject);
    if (next.kind === "STEP")
      await enter("work-steps", {
        key: step.key,
        figures: step.asks.map((asked) => ({ id: asked.id, text: String(asked.listed ?? 1), unit: "mm" })),
        why: "",
      });
    else if (next.kind === "LEVEL") await enter("levels", { text: "max" });
    else if (next.kind === "REST") await enter("rests", {});
    else if (next.kind === "BLEED")
      await enter("strokes", {
        endId: job.repair.sheet.next,
        count: job.repair.sheet.ends[0].strokesNow,
        bubbles: job.repair.sheet.ends[0].strokes === 0 ? "few" : "none",
        colour: "clear",
      });
    else throw new Error(`Nothing to do at ${JSON.stringify(next)}`);
  }
}
await until("BLEED");
await keep("bleeding", job);
await until("CHECK");
await keep("proving", job);
