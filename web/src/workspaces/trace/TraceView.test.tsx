// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import decided from "../../test/answers/bleeding.json";
import tracing from "../../test/answers/tracing.json";
import { open, PERSON } from "../../test/page";
import { TraceView } from "./TraceView";

const AT = `/api/jobs/${decided.id}`;
const shown = (job: object) => open(TraceView, "/jobs/:jobId", `/jobs/${decided.id}`, { [AT]: job });
const inPractice = { ...decided, practice: { personId: PERSON, helped: false, ended: false } };
const decision = () => screen.findByRole("region", { name: "Decided" });

describe("the workspace of a decided job", () => {
  it("says how likely the remedy was, how it turned out and what else may be accepted", async () => {
    shown(decided);
    expect((await decision()).textContent).toMatch(/\d %/);
    expect(within(await decision()).getByText(`turned-out.${decided.status.decided.turnedOut}`)).toBeTruthy();
    expect(await screen.findByRole("region", { name: "evidence" })).toBeTruthy();
  });

  it("tells whoever practises only what was decided, and lists the tests without their reasons", async () => {
    shown(inPractice);
    expect((await decision()).textContent).toContain(`remedy.${decided.accepted.remedyIds[0]}`);
    expect(document.body.textContent).not.toMatch(/\d %|turned-out\./);
    await userEvent.click(screen.getByRole("button", { name: "other tests" }));
    expect(await screen.findByRole("dialog")).toBeTruthy();
    expect(document.body.textContent).not.toMatch(/\d %|reason\./);
  });
});

describe("a verdict so far", () => {
  const linings = tracing.assessment.suspects.find((s) => s.remedyId === "renew-linings")!;
  const verdict = {
    ...tracing.assessment.verdict,
    remedyId: linings.remedyId,
    carriers: [linings.weights.find((w) => w.oddsFactor > 1)!.entryId],
  };
  const graded = (grade: string) =>
    open(TraceView, "/jobs/:jobId", `/jobs/${tracing.id}`, {
      [`/api/jobs/${tracing.id}`]: {
        ...tracing,
        assessment: { ...tracing.assessment, verdict: { ...verdict, grade } },
      },
    });

  it("tells what carries it only once there is something to carry", async () => {
    const { unmount } = graded("PROBABLE");
    expect((await screen.findByText("Probable")).closest("section")?.textContent).toContain("Carried by");
    unmount();
    graded("OPEN");
    expect((await screen.findByText("Open")).closest("section")?.textContent).not.toContain("Carried by");
  });
});

describe("a probable verdict with no test left that is worth its minutes", () => {
  const { next } = tracing.assessment;
  const waits = (kind: string) =>
    open(TraceView, "/jobs/:jobId", `/jobs/${tracing.id}`, {
      [`/api/jobs/${tracing.id}`]: {
        ...tracing,
        status: { ...tracing.status, next: { kind, subject: kind === "TEST" ? next.procedureId : "" } },
        assessment: {
          ...tracing.assessment,
          anotherTestPays: false,
          verdict: { ...tracing.assessment.verdict, grade: "PROBABLE" },
        },
      },
    });
  const strip = async () => within(await screen.findByRole("region", { name: "Next" }));

  it("waits for a decision, with a further test beside it", async () => {
    waits("DECIDE");
    const { verdict } = tracing.assessment;
    expect((await strip()).getByRole("heading").textContent).toBe(`remedy.${verdict.remedyId}`);
    expect((await strip()).queryByText("Start test")).toBeNull();
    expect((await strip()).getByRole("button", { name: /^Test on: / }).textContent).toContain(next.procedureId);
    await userEvent.click((await strip()).getByRole("button", { name: "Accept the verdict" }));
    const dialog = within(await screen.findByRole("dialog"));
    await userEvent.click(dialog.getByRole("button", { name: /^Write: / }));
    expect(dialog.getByLabelText<HTMLTextAreaElement>("Why on less than proof?").value).toBe(
      "No test left is worth more than it costs",
    );
  });

  it("proposes the test while it is to be done first", async () => {
    waits("TEST");
    expect((await strip()).getByRole("button", { name: "Start test" })).toBeTruthy();
    expect((await strip()).queryByText(/^Test on/)).toBeNull();
  });
});

describe("accepting a verdict", () => {
  const asked = "Where is it done: remedy.renew-hoses?";
  const offered = (toldId: string | undefined, ...shares: number[]) =>
    open(TraceView, "/jobs/:jobId", `/jobs/${tracing.id}`, {
      [`/api/jobs/${tracing.id}`]: {
        ...tracing,
        assessment: {
          ...tracing.assessment,
          verdict: {
            ...tracing.assessment.verdict,
            grade: "PROBABLE",
            remedyId: "renew-hoses",
            remedyIds: ["renew-hoses"],
            places: [
              {
                remedyId: "renew-hoses",
                toldId,
                parts: shares.map((share, n) => ({ componentId: `hose-${n}`, share })),
              },
            ],
          },
        },
      },
    });
  const accept = async () => {
    await userEvent.click(await screen.findByRole("button", { name: "Accept the verdict" }));
    const dialog = within(await screen.findByRole("dialog"));
    await userEvent.type(dialog.getByLabelText("Why on less than proof?"), "the ferry waits");
    return {
      where: dialog.getByLabelText<HTMLSelectElement>(asked),
      go: dialog.getByRole<HTMLButtonElement>("button", { name: "Accept the verdict" }),
    };
  };

  it("says and offers the part that the readings point at", async () => {
    offered("hose-0", 0.93, 0.07);
    expect(await screen.findByText("Where, by the readings: component.hose-0")).toBeTruthy();
    const { where, go } = await accept();
    expect(where.selectedOptions[0]?.textContent).toBe("component.hose-0 · 93 %");
    expect(go.disabled).toBe(false);
  });

  it("asks for none where the fault is at both at once", async () => {
    offered("hose-0", 0.5, 0.5);
    const { where, go } = await accept();
    expect(screen.queryByText(/by the readings/)).toBeNull();
    expect([where.value, go.disabled]).toEqual(["hose-0", false]);
  });

  it("has a part chosen where they leave it open", async () => {
    offered(undefined, 0.4, 0.35, 0.25);
    const { where, go } = await accept();
    expect(screen.queryByText(/by the readings/)).toBeNull();
    expect([where.value, go.disabled]).toEqual(["", true]);
    await userEvent.selectOptions(where, "hose-1");
    expect(go.disabled).toBe(false);
  });
});
