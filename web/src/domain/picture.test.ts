import { describe, expect, it } from "vitest";
import { fitted } from "./picture";

describe("a picture", () => {
  it("is made as small as it is kept, and a small one is not blown up", () => {
    expect(fitted(4000, 3000)).toEqual({ width: 1600, height: 1200 });
    expect(fitted(3000, 4000)).toEqual({ width: 1200, height: 1600 });
    expect(fitted(40, 30)).toEqual({ width: 40, height: 30 });
    expect(fitted(8000, 1)).toEqual({ width: 1600, height: 1 });
  });
});
