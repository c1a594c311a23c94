import { useState } from "react";
import { TraceChart } from "../../charts/TraceChart";
import { api, told } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Test, TraceTable } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { FileButton } from "../../ui/FileButton";
import { marksOf } from "./state";
import { takeTrace } from "./takeTrace";
import type { useRunner } from "./useRunner";

/** The figures of a hold, read off what a logger wrote down. */
export function FromFile({ runner, test }: { runner: ReturnType<typeof useRunner>; test: Test }) {
  const { catalogue } = useSettings();
  const { draft, unitFor } = runner;
  const marked = marksOf(test);
  const [first] = test.figures;
  const [file, setFile] = useState("");
  const [table, setTable] = useState<TraceTable>();
  const [time, setTime] = useState("");
  const [value, setValue] = useState("");
  const [unit, setUnit] = useState("");
  const [instrument, setInstrument] = useState(say("traceInstrumentPlain"));
  const [refused, setRefused] = useState("");
  if (marked.size === 0 || !first) return null;
  const units = catalogue.units.filter((u) => u.dimension === first.dimension).map((u) => u.symbol);
  const read = async (text: string, byTime: string, byValue: string) => {
    try {
      setTable(await api.readTrace(text, byTime || undefined, byValue || undefined));
      setRefused("");
    } catch (e) {
      setRefused(told(e as Error));
    }
  };
  const choose = async (chosen: File) => {
    const text = await chosen.text();
    setFile(text);
    setTime("");
    setValue("");
    await read(text, "", "");
  };
  const columns = (byTime: string, byValue: string) => {
    setTime(byTime);
    setValue(byValue);
    if (byTime !== "" && byValue !== "") void read(file, byTime, byValue);
  };
  const trace = table?.trace;
  const symbol = unit || unitFor(first).symbol;
  const take = () => trace && takeTrace(runner, trace, marked, symbol, instrument);
  const select = (label: "traceColumnTime" | "traceColumnValue", chosen: string, onChoose: (to: string) => void) => (
    <label className="grid gap-1">
      <span className="caps">{say(label)}</span>
      <select value={chosen} onChange={(e) => onChoose(e.target.value)} className="min-h-16 border-2 border-ink px-3">
        <option value="" />
        {(table?.columns ?? []).map((column) => (
          <option key={column} value={column}>
            {column}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <details className="border-2 border-ink bg-panel" open={draft.trace !== undefined || undefined}>
      <summary className="grid min-h-16 cursor-pointer content-center px-3 text-lg font-semibold">
        {say("traceFrom")}
      </summary>
      <div className="grid gap-4 p-3 pt-0">
        <FileButton
          large
          accept=".csv,.txt,.tsv,text/csv"
          label={say("traceChoose")}
          onFile={(chosen) => void choose(chosen)}
        />
        {table && (
          <div className="grid gap-3 sm:grid-cols-2">
            {select("traceColumnTime", time, (to) => columns(to, value))}
            {select("traceColumnValue", value, (to) => columns(time, to))}
            <label className="grid gap-1">
              <span className="caps">{say("traceUnit")}</span>
              <select
                value={symbol}
                onChange={(e) => setUnit(e.target.value)}
                className="min-h-16 border-2 border-ink px-3"
              >
                {units.map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </select>
            </label>
            <label className="grid gap-1">
              <span className="caps">{say("traceInstrument")}</span>
              <input
                value={instrument}
                maxLength={80}
                onChange={(e) => setInstrument(e.target.value)}
                className="min-h-16 border-2 border-ink px-3"
              />
            </label>
          </div>
        )}
        {trace && (
          <>
            <TraceChart trace={{ ...trace, unit: symbol }} marked={trace.marks.map((m) => m.second)} />
            <p>
              {trace.marks.length === 0
                ? say("traceNoMarks")
                : say("traceAtRest", { rest: Math.round(trace.atRest * 100) / 100, unit: symbol })}
            </p>
            <Button large disabled={trace.marks.length === 0} onClick={take}>
              {say("traceTake")}
            </Button>
          </>
        )}
        {draft.trace && <p role="status">{say("traceTaken")}</p>}
        {refused !== "" && (
          <p role="alert" className="border-2 border-danger p-3">
            {refused}
          </p>
        )}
      </div>
    </details>
  );
}
