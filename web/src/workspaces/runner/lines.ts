import type { Code } from "./state";

export interface ShownLine {
  seconds: number;
  /** Absent where the instrument had dropped out. */
  value?: number;
  /** What a code reader found. */
  codes?: Code[];
}

const LEAST_LINES = 20;

/** Lines of JSON as they come in pieces. */
export async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<ShownLine> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    const parts = (rest + decoder.decode(value, { stream: true })).split("\n");
    rest = parts.pop() ?? "";
    for (const part of parts) if (part.trim() !== "") yield JSON.parse(part) as ShownLine;
  }
}

/** Lines as the table that the server reads marks off; a time that does not rise begins anew. */
export function tableOf(lines: ShownLine[]): string | undefined {
  let from = 0;
  lines.forEach((line, i) => {
    const before = lines[i - 1];
    if (before && line.seconds <= before.seconds) from = i;
  });
  const whole = lines.slice(from);
  if (whole.filter((line) => line.value !== undefined).length < LEAST_LINES) return undefined;
  return ["seconds,value", ...whole.map((line) => `${line.seconds},${line.value ?? ""}`)].join("\n");
}
