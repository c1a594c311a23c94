import { describe, expect, it } from "vitest";
import { noticeOf } from "./useLive";

describe("what the server tells", () => {
  it("is that a log has grown, or that some may have been missed", () => {
    expect(noticeOf("grown", '{"jobId":"j1","sequence":7}')).toEqual({ jobId: "j1", sequence: 7 });
    expect(noticeOf("missed", "{}")).toBe("missed");
    expect(noticeOf("grown", "{}")).toBeUndefined();
  });
});
