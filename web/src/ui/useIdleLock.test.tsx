// @vitest-environment jsdom
import "../test/browser";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { api } from "../domain/api";
import { useIdleLock } from "./useIdleLock";

const MINUTE_MS = 60_000;

function locked(shared: boolean) {
  const queries = new QueryClient();
  renderHook(() => useIdleLock(shared, 15), {
    wrapper: ({ children }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>,
  });
}

describe("a device that nobody touches", () => {
  beforeEach(() => {
    vi.useFakeTimers();
    vi.spyOn(api, "signOut").mockResolvedValue();
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
  });

  it("asks who is there after a quarter of an hour where it is shared", () => {
    locked(true);
    vi.advanceTimersByTime(14 * MINUTE_MS);
    expect(api.signOut).not.toHaveBeenCalled();
    vi.advanceTimersByTime(2 * MINUTE_MS);
    expect(api.signOut).toHaveBeenCalled();
  });

  it("begins to count anew with each touch", () => {
    locked(true);
    vi.advanceTimersByTime(14 * MINUTE_MS);
    window.dispatchEvent(new Event("pointerdown"));
    vi.advanceTimersByTime(14 * MINUTE_MS);
    expect(api.signOut).not.toHaveBeenCalled();
  });

  it("stays with whoever it belongs to where it is not shared, and without a line", () => {
    locked(false);
    vi.advanceTimersByTime(60 * MINUTE_MS);
    vi.spyOn(navigator, "onLine", "get").mockReturnValue(false);
    locked(true);
    vi.advanceTimersByTime(60 * MINUTE_MS);
    expect(api.signOut).not.toHaveBeenCalled();
  });
});
