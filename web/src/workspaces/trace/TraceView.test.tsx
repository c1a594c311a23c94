// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import decided from "../../test/answers/bleeding.json";
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
