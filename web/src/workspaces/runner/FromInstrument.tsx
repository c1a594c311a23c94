import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { TraceChart } from "../../charts/TraceChart";
import { api } from "../../domain/api";
import type { Test } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { ChooseInstrument } from "./ChooseInstrument";
import { marksOf } from "./state";
import { takeTrace } from "./takeTrace";
import { useInstrument } from "./useInstrument";
import type { useRunner } from "./useRunner";

/** The figures of a test, taken from an instrument of the workshop while it shows them. */
export function FromInstrument({ runner, test }: { runner: ReturnType<typeof useRunner>; test: Test }) {
  const instruments = useQuery({ queryKey: ["instruments"], queryFn: api.instruments, retry: false });
  const [id, setId] = useState<string>();
  const { lines, held, failed } = useInstrument(id);
  const marked = marksOf(test);
  const fitting = (instruments.data?.registered ?? []).filter((one) =>
    test.figures.some((figure) => figure.dimension === one.dimension),
  );
  const chosen = fitting.find((one) => one.id === id);
  if (fitting.length === 0) return null;
  const shown = lines.filter((line) => line.value !== undefined);
  const last = shown[shown.length - 1];
  const single = test.figures.find((figure) => figure.dimension === chosen?.dimension);
  return (
    <ChooseInstrument label={say("instrumentFrom")} instruments={fitting} id={id} onChoose={setId} failed={failed}>
      {chosen && (
        <>
          <p className="figures text-4xl font-semibold" aria-live="off">
            {last?.value === undefined ? "–" : last.value.toFixed(1)} {chosen.unit}
            {lines[lines.length - 1]?.value === undefined && lines.length > 0 && (
              <span className="ml-3 text-base font-normal text-soft">{say("instrumentDropOut")}</span>
            )}
          </p>
          {shown.length > 1 && (
            <TraceChart
              trace={
                held && marked.size > 0
                  ? { ...held, unit: chosen.unit }
                  : { fromSeconds: 0, stepSeconds: 0.08, values: shown.map((l) => l.value ?? 0), unit: chosen.unit }
              }
              marked={held && marked.size > 0 ? held.marks.map((m) => m.second) : []}
            />
          )}
          {marked.size > 0 ? (
            <Button
              large
              disabled={!held || held.marks.length === 0}
              onClick={() => held && takeTrace(runner, held, marked, chosen.unit, chosen.name)}
            >
              {say(held && held.marks.length > 0 ? "traceTake" : "instrumentWaits")}
            </Button>
          ) : (
            single && (
              <Button
                large
                disabled={last?.value === undefined}
                onClick={() =>
                  runner.change({
                    texts: { ...runner.draft.texts, [single.id]: (last?.value ?? 0).toFixed(1) },
                    units: { ...runner.draft.units, [single.id]: chosen.unit },
                  })
                }
              >
                {say("instrumentTakeNow")}
              </Button>
            )
          )}
          {runner.draft.trace && <p role="status">{say("traceTaken")}</p>}
        </>
      )}
    </ChooseInstrument>
  );
}
