// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import job from "../../test/answers/bleeding.json";
import { sent } from "../../test/browser";
import { open, PERSON } from "../../test/page";
import { BleedView } from "./BleedView";

const AT = `/api/jobs/${job.id}`;
const { sheet } = job.repair;

const bleeding = (change: Partial<typeof sheet> = {}) =>
  open(BleedView, "/jobs/:jobId/bleed", `/jobs/${job.id}/bleed`, {
    [AT]: { ...job, repair: { ...job.repair, sheet: { ...sheet, ...change } } },
  });
const now = () => screen.findByRole("region", { name: "Next" });

describe("the bleed sheet", () => {
  it("enters what was seen at the end that comes next, with the strokes it asks for", async () => {
    bleeding();
    await userEvent.click(within(await now()).getByRole("button", { name: "Few bubbles" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      path: `${AT}/strokes`,
      body: {
        endId: sheet.next,
        count: sheet.ends.find((end) => end.id === sheet.next)?.strokesNow,
        bubbles: "few",
      },
    });
  });

  it("takes another number of strokes, and none at all is not entered", async () => {
    bleeding();
    const strokes = within(await now()).getByRole("textbox");
    await userEvent.clear(strokes);
    await userEvent.type(strokes, "0");
    expect(screen.getByRole("button", { name: "No bubbles" })).toHaveProperty("disabled", true);
    await userEvent.type(strokes, "7");
    await userEvent.click(screen.getByRole("radio", { name: "dark" }));
    await userEvent.click(screen.getByRole("button", { name: "No bubbles" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({ count: 7, bubbles: "none", colour: "dark" });
  });

  it("asks for fluid before it lets another stroke be entered", async () => {
    bleeding({ topUpNow: true });
    const next = await screen.findByRole("region", { name: "Next" });
    expect(within(next).getByRole("alert").textContent).toBe("Top up now, before the next stroke");
    expect(screen.queryByRole("button", { name: "No bubbles" })).toBeNull();
    await userEvent.click(within(next).getByRole("button", { name: "Filled to the upper mark" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ path: `${AT}/levels`, body: { text: "max" } });
  });

  it("keeps the rest by a clock that outlives the page", async () => {
    const first = bleeding({ restFirst: true });
    await userEvent.click(within(await now()).getByRole("button", { name: /Begin the rest/ }));
    expect(await screen.findByRole("timer")).toBeTruthy();
    first.unmount();
    bleeding({ restFirst: true });
    expect((await screen.findByRole("timer")).textContent).toMatch(/^(10:00|9:5\d)$/);
    await userEvent.click(screen.getByRole("button", { name: "It has stood that long already" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.path).toBe(`${AT}/rests`);
  });

  it("makes the strokes on the vehicle of an exercise and leaves what was seen to whoever practises", async () => {
    const next = sheet.ends.find((end) => end.id === sheet.next);
    open(BleedView, "/jobs/:jobId/bleed", `/jobs/${job.id}/bleed`, {
      [AT]: { ...job, practice: { personId: PERSON, helped: false, ended: false } },
      [`POST /api/practice/exercises/${job.id}/acts`]: {
        hose: { endId: sheet.next, strokes: 4, bubbles: "MANY", colour: "DARK" },
        aboveMinimumMl: 31,
      },
    });
    await userEvent.click(
      within(await now()).getByRole("button", { name: `${next?.strokesNow} strokes on the vehicle` }),
    );
    expect(await screen.findByText(/After 4 strokes: many bubbles, dark/)).toBeTruthy();
    expect(sent[0]?.body).toMatchObject({ act: "bleed", subject: sheet.next, figure: next?.strokesNow });
    expect(screen.getByRole("radio", { name: "dark" }).getAttribute("aria-checked")).toBe("true");
    await userEvent.click(screen.getByRole("button", { name: "Many bubbles" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]?.body).toMatchObject({ count: 4, bubbles: "many", colour: "dark" });
  });

  it("says that something else leads by now, but to nobody from whom suspicion is hidden", async () => {
    const overturned = { ...job, repair: { ...job.repair, overturned: true, accepted: 0.06 } };
    const shown = open(BleedView, "/jobs/:jobId/bleed", `/jobs/${job.id}/bleed`, { [AT]: overturned });
    expect(await screen.findByText(/the evidence gives what was accepted 6 %/)).toBeTruthy();
    shown.unmount();
    const practice = { personId: PERSON, helped: false, ended: false };
    open(BleedView, "/jobs/:jobId/bleed", `/jobs/${job.id}/bleed`, { [AT]: { ...overturned, practice } });
    await now();
    expect(screen.queryByText(/the evidence gives what was accepted/)).toBeNull();
  });
});
