import type { TraceTable } from "../../domain/types";
import { say } from "../../domain/words";
import type { useRunner } from "./useRunner";

type Held = NonNullable<TraceTable["trace"]>;

/** Fills the figures of a hold with the marks of a trace, and keeps the trace with the reading. */
export function takeTrace(
  { draft, change }: ReturnType<typeof useRunner>,
  trace: Held,
  marked: Map<number, string>,
  unit: string,
  instrument: string,
): void {
  const { fromSeconds, stepSeconds, values } = trace;
  const texts = Object.fromEntries(
    trace.marks
      .filter((mark) => marked.has(mark.second))
      .map((m) => [marked.get(m.second) ?? "", String(Math.round(m.value * 100) / 100)]),
  );
  change({
    restText: "",
    texts: { ...draft.texts, ...texts },
    units: { ...draft.units, ...Object.fromEntries(Object.keys(texts).map((id) => [id, unit])) },
    trace: {
      instrument: instrument.trim() || say("traceInstrumentPlain"),
      unit,
      fromSeconds,
      stepSeconds,
      values,
    },
  });
}
