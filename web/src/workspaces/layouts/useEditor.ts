import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { api, Refusal, type Finding } from "../../domain/api";
import { idOf, startedFrom, type LayoutFile, type Schema } from "./file";

const SETTLE_MS = 300;

/** The preset a layout starts from, and the schema that tells its dimensions. */
export function useStart(presetId: string) {
  const schema = useQuery({ queryKey: ["layout-schema"], queryFn: api.schema, staleTime: Infinity });
  const preset = useQuery({
    queryKey: ["layout-file", presetId],
    queryFn: () => api.layoutFile(presetId),
    staleTime: Infinity,
  });
  const error = schema.error ?? preset.error;
  const ready =
    schema.data !== undefined && preset.data !== undefined
      ? { schema: schema.data as unknown as Schema, preset: preset.data as unknown as LayoutFile }
      : undefined;
  return { ready, error, again: () => void Promise.all([schema.refetch(), preset.refetch()]) };
}

/** A layout being made: its file, what the server says of it, and the way back. */
export function useEditor(preset: LayoutFile) {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [edited, setEdited] = useState(preset);
  const [past, setPast] = useState<LayoutFile[]>([]);
  const [saveError, setSaveError] = useState<Refusal>();
  const file = useMemo(
    () => startedFrom(edited, name.trim() || preset.name, idOf(name) || "unnamed"),
    [edited, name, preset.name],
  );
  const [settled, setSettled] = useState(file);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(file), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [file]);
  const checked = useQuery({
    queryKey: ["layout-check", settled],
    queryFn: () => api.checkLayout(settled),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const findings: Finding[] = [
    ...(checked.error instanceof Refusal ? checked.error.findings : []),
    ...(saveError?.findings ?? []),
  ];
  return {
    name,
    setName,
    file,
    checked,
    findings,
    saveError,
    canUndo: past.length > 0,
    change: (next: LayoutFile) => {
      setPast((all) => [...all.slice(-50), edited]);
      setEdited(next);
      setSaveError(undefined);
    },
    undo: () => {
      const last = past[past.length - 1];
      if (!last) return;
      setEdited(last);
      setPast(past.slice(0, -1));
    },
    save: async () => {
      try {
        const saved = await api.saveLayout(file);
        await queries.invalidateQueries({ queryKey: ["catalogue"] });
        return saved;
      } catch (e) {
        setSaveError(e instanceof Refusal ? e : new Refusal(0, "", String(e)));
        return undefined;
      }
    },
  };
}
