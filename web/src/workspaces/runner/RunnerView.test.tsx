// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import job from "../../test/answers/tracing.json";
import test from "../../test/answers/test.json";
import { cutTheLine, sent } from "../../test/browser";
import { open } from "../../test/page";
import { RunnerView } from "./RunnerView";

let at = "";

/** Each begins in a job of its own, at the page on which the figures are entered. */
beforeEach(async () => {
  const id = crypto.randomUUID();
  at = `/api/jobs/${id}`;
  open(RunnerView, "/jobs/:jobId/tests/:procedureId", `/jobs/${id}/tests/${test.id}`, {
    [at]: { ...job, id },
    [`${at}/tests/${test.id}`]: test,
  });
  await userEvent.click(await screen.findByRole("button", { name: "To the figures" }));
});

const enter = () => screen.getByRole("button", { name: "Enter the reading" });
const field = (name: RegExp) => screen.getByRole("textbox", { name });
const soundRig = () => userEvent.click(screen.getAllByRole("radio", { name: "rig.sound" })[0] as HTMLElement);

describe("entering a reading", () => {
  it("says what is missing, one thing after another", async () => {
    expect(screen.getByText("Enter at least one figure.")).toBeTruthy();
    expect(enter()).toHaveProperty("disabled", true);

    await userEvent.type(field(/^gentle/i), "612");
    expect(screen.getByText("A figure is not possible: correct it.")).toBeTruthy();

    await userEvent.type(screen.getByLabelText(/at rest/), "590");
    expect(screen.getByText(/from rest: 22/)).toBeTruthy();
    expect(screen.getByText("Say whether the test is sound.")).toBeTruthy();

    await soundRig();
    expect(enter()).toHaveProperty("disabled", false);
    expect(sent).toEqual([]);
  });

  it("holds it for an undo, then sends the figures as they were typed", async () => {
    await userEvent.type(field(/^gentle/i), "21,5");
    await soundRig();
    await userEvent.click(enter());
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    expect(sent).toEqual([]);

    await userEvent.clear(field(/^gentle/i));
    await userEvent.type(field(/^gentle/i), "22");
    await userEvent.click(enter());
    await userEvent.click(await screen.findByRole("button", { name: "Enter now" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      path: `${at}/readings`,
      body: {
        procedureId: test.id,
        figures: [{ id: "gentle", text: "22", unit: "mm" }],
        rigCheck: "sound",
      },
    });
  });

  it("says that it is kept where the server does not answer", async () => {
    await userEvent.type(field(/^gentle/i), "22");
    await soundRig();
    cutTheLine();
    await userEvent.click(enter());
    await userEvent.click(await screen.findByRole("button", { name: "Enter now" }));
    expect(await screen.findByText("Kept on this device")).toBeTruthy();
    expect(sent).toEqual([]);
  });
});
