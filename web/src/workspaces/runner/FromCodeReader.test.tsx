// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import "../../test/browser";
import { open } from "../../test/page";
import { FromCodeReader } from "./FromCodeReader";

const CODES = [{ number: "17", text: "Wheel sensor, signal lost", often: "often" }];
const reader = { id: "7", name: "Reader at the door", kind: "code-reader", unit: "", atRest: 0, there: true };
const tape = { ...reader, id: "8", name: "Tape", kind: "travel-tape", dimension: "LENGTH", unit: "mm" };

/** What a reader says for as long as somebody listens. */
const saying = (line: object) =>
  new ReadableStream<Uint8Array>({
    start: (to) => to.enqueue(new TextEncoder().encode(`${JSON.stringify(line)}\n`)),
  });

const shown = (registered: object[], line: object = {}) => {
  const onCodes = vi.fn();
  open(() => <FromCodeReader onCodes={onCodes} />, "/", "/", {
    "/api/instruments": { registered, announced: [] },
    [`/api/instruments/${reader.id}/stream`]: saying(line),
  });
  return onCodes;
};

describe("codes from a reader", () => {
  it("are taken as it says them", async () => {
    const onCodes = shown([tape, reader], { seconds: 1, codes: CODES });
    expect(screen.queryByRole("radio", { name: "Tape" })).toBeNull();
    await userEvent.click(await screen.findByRole("radio", { name: "Reader at the door" }));
    expect(await screen.findByText("Codes found: 1")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Take these codes" }));
    expect(onCodes).toHaveBeenCalledWith(CODES);
  });

  it("are none where it finds none", async () => {
    shown([reader], { seconds: 1, codes: [] });
    await userEvent.click(await screen.findByRole("radio", { name: "Reader at the door" }));
    expect(await screen.findByText("It has found no code.")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Take these codes" })).toBeNull();
  });

  it("are not offered where there is no reader", async () => {
    shown([tape]);
    await new Promise((done) => setTimeout(done, 50));
    expect(screen.queryByRole("region", { name: "Take the codes from a code reader" })).toBeNull();
  });
});
