// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { sent } from "../../test/browser";
import { dropDraft } from "../../domain/outbox";
import { open } from "../../test/page";
import { IntakeView } from "./IntakeView";

const intake = () => open(IntakeView, "/intake", "/intake", { "/api/vehicles": [] });
const go = () => screen.findByRole("button", { name: "Open the job" });

beforeEach(() => dropDraft("intake"));

describe("intake", () => {
  it("names each thing that is needed and sends nothing until it is there", async () => {
    intake();
    await userEvent.click(await go());
    expect(screen.getAllByText("This is needed")).toHaveLength(4);
    expect(screen.queryByText("What does it do most?")).toBeNull();

    await userEvent.type(screen.getByLabelText("Vehicle"), "Wisp 9");
    await userEvent.selectOptions(screen.getByLabelText("Circuit"), "wisp-courier-brake");
    await userEvent.click(await go());
    expect(screen.getAllByText("This is needed")).toHaveLength(3);
    expect(sent).toEqual([]);
  });

  it("opens one job by what was told", async () => {
    intake();
    await userEvent.type(await screen.findByLabelText("Vehicle"), "  Wisp 9 ");
    await userEvent.selectOptions(screen.getByLabelText("Circuit"), "wisp-courier-brake");
    await userEvent.type(screen.getByLabelText(/What the driver says/), "Sinks at the lights");
    await userEvent.click(screen.getByRole("radio", { name: "option.characterise.sinks" }));
    await userEvent.click(screen.getByRole("radio", { name: "no, it stays where it is" }));
    await userEvent.click(await go());

    await screen.findByText("elsewhere");
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({
      path: "/api/jobs",
      body: {
        vehicle: "Wisp 9",
        layoutId: "wisp-courier-brake",
        complaint: "Sinks at the lights",
        behaviour: "sinks",
        mayBeMoved: false,
      },
    });
    expect(sent[0]?.body).not.toHaveProperty("hunchId");
  });

  it("refuses by name what is outside the program, and takes the next choice", async () => {
    intake();
    const circuit = await screen.findByLabelText("Circuit");
    await userEvent.selectOptions(circuit, "out-of-scope");
    expect(screen.getByText("caution.out-of-scope")).toBeTruthy();
    expect(await go()).toHaveProperty("disabled", true);
    await userEvent.selectOptions(circuit, "wisp-courier-brake");
    expect(await go()).toHaveProperty("disabled", false);
  });

  it("keeps what was told while the page is away", async () => {
    const first = intake();
    await userEvent.type(await screen.findByLabelText("Vehicle"), "Wisp 77");
    first.unmount();
    intake();
    await waitFor(() => expect(screen.getByLabelText("Vehicle")).toHaveProperty("value", "Wisp 77"));
  });
});
