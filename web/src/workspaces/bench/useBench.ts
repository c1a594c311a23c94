import { useQuery, keepPreviousData } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, Refusal, type Finding } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Calculator, Field, Unit } from "../../domain/types";
import type { Said } from "../../domain/outbox";
import { useWrite } from "../../domain/useOutbox";
import { say } from "../../domain/words";
import { MOST_COLUMNS, typedInputs, type ColumnTexts } from "./state";

const SETTLE_MS = 250;

function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}

/** One calculator with its what-ifs side by side. */
export function useBench(calculator: Calculator, layoutId: string) {
  const { catalogue, unit } = useSettings();
  const [columns, setColumns] = useState<ColumnTexts[]>([{}]);
  const asked = (field: Field): Unit => {
    const usual = catalogue.units.find((u) => u.symbol === field.unit);
    return usual && !usual.core ? usual : unit(field.dimension);
  };
  const typed = useSettled(columns.map((texts) => typedInputs(texts, calculator.fields, asked)));
  const result = useQuery({
    queryKey: ["calculation", calculator.id, layoutId, typed],
    queryFn: () => api.calculate(calculator.id, layoutId, typed),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const findings: Finding[] = result.error instanceof Refusal ? result.error.findings : [];
  return {
    columns,
    asked,
    result,
    findings,
    typed,
    type: (column: number, fieldId: string, text: string) =>
      setColumns((all) => all.map((texts, i) => (i === column ? { ...texts, [fieldId]: text } : texts))),
    add: () => setColumns((all) => (all.length < MOST_COLUMNS ? [...all, { ...all[all.length - 1] }] : all)),
    remove: (column: number) => setColumns((all) => all.filter((_, i) => i !== column)),
  };
}

/** Puts a column into the log of a job, as a note or as a reading. */
export function useIntoLog(jobId: string | undefined) {
  const enter = useWrite(jobId ?? "");
  const ids = useRef(new Map<string, string>());
  const [said, setSaid] = useState<{ text: string; bad: boolean }>();
  /** The same thing tapped twice is one entry. */
  const write = async <K extends "notes" | "readings">(kind: K, body: Said<K>, done: string) => {
    if (!jobId) return;
    const purpose = JSON.stringify([kind, body]);
    const id = ids.current.get(purpose) ?? crypto.randomUUID();
    ids.current.set(purpose, id);
    try {
      const job = await enter(kind, body, id);
      setSaid({ text: job ? done : say("keptWhy"), bad: false });
    } catch (e) {
      setSaid({ text: e instanceof Refusal ? e.message : String(e), bad: true });
    }
  };
  return { said, write };
}
