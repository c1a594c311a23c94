import { expect, test } from "vitest";
import { linesOf, tableOf, type ShownLine } from "./lines";

const stream = (...pieces: string[]) =>
  new ReadableStream<Uint8Array>({
    start(controller) {
      for (const piece of pieces) controller.enqueue(new TextEncoder().encode(piece));
      controller.close();
    },
  });

test("lines that come in pieces are put together, and one without an end is not one yet", async () => {
  const read: ShownLine[] = [];
  for await (const line of linesOf(stream('{"seconds":1,"va', 'lue":2}\n{"seconds":1.1}\n\n{"seconds":1.2')))
    read.push(line);
  expect(read).toEqual([{ seconds: 1, value: 2 }, { seconds: 1.1 }]);
});

test("an instrument that was switched off and on begins a new table; too little of it is none", () => {
  const before = Array.from({ length: 30 }, (_, i) => ({ seconds: 100 + i, value: 1 }));
  const after = Array.from({ length: 25 }, (_, i) => ({ seconds: i, ...(i === 3 ? {} : { value: i }) }));
  const table = tableOf([...before, ...after]) ?? "";
  expect(table.split("\n")).toHaveLength(26);
  expect(table).toContain("\n3,\n4,4");
  expect(tableOf(after.slice(0, 10))).toBeUndefined();
});
