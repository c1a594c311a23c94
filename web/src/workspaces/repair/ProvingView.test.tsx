// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import job from "../../test/answers/proving.json";
import test from "../../test/answers/test.json";
import { sent } from "../../test/browser";
import { open } from "../../test/page";
import { ProvingView } from "./ProvingView";

const AT = `/api/jobs/${job.id}`;
const gates = job.repair.gates;

const proving = (change: Partial<typeof job.repair> = {}) =>
  open(ProvingView, "/jobs/:jobId/proving", `/jobs/${job.id}/proving`, {
    [AT]: { ...job, repair: { ...job.repair, ...change } },
    [`${AT}/tests/${test.id}`]: test,
  });
const gate = (id: string) => screen.findByRole("region", { name: `gate.${id}` });

describe("proving", () => {
  it("passes in one tap the looks of the gate that is open, and no measurement", async () => {
    proving();
    const looks = gates[0]?.checks.filter((check) => check.testId === undefined).map((check) => check.id) ?? [];
    await userEvent.click(within(await gate("chocks")).getByRole("button", { name: new RegExp(`${looks.length}`) }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      path: `${AT}/checks`,
      body: { checkId: looks[0], also: looks.slice(1), outcome: "passed" },
    });
  });

  it("takes a failure only with what was seen", async () => {
    proving();
    const chocks = within(await gate("chocks"));
    await userEvent.click(chocks.getAllByRole("button", { name: "Failed" })[1] as HTMLElement);
    const asked = chocks.getByRole("textbox", { name: /what was seen/i });
    const go = within(asked.parentElement as HTMLElement).getByRole("button");
    expect(go).toHaveProperty("disabled", true);
    await userEvent.type(asked, "Lever at the bar");
    await userEvent.click(go);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({ checkId: "pumped-firm", outcome: "failed", seen: "Lever at the bar" });
  });

  it("lets nothing be entered at a gate that is shut, nor a release before its gates", async () => {
    proving();
    expect(within(await gate("road")).queryAllByRole("button")).toEqual([]);
    expect(screen.queryByRole("button", { name: /Release/ })).toBeNull();
  });

  it("says what shuts a gate and sets it back where no step of the plan does", async () => {
    const [first, ...others] = gates;
    proving({
      gates: [
        { ...first, state: "SHUT", blockers: [{ kind: "ON_VEHICLE", item: "pedal-prop@lever" }] },
        ...others,
      ] as typeof gates,
    });
    const chocks = within(await gate("chocks"));
    expect(chocks.getByText("blocker.ON_VEHICLE")).toBeTruthy();
    await userEvent.click(chocks.getByRole("button", { name: /set back/i }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ path: `${AT}/take-off`, body: { items: ["pedal-prop@lever"] } });
  });
});
