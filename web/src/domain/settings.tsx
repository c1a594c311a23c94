import { useQuery } from "@tanstack/react-query";
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from "react";
import { api } from "./api";
import { useMe } from "./session";
import type { Catalogue, Dimension, Layout, Unit } from "./types";
import { shown, unitFor, type UnitSystem } from "./units";
import { filled, keyed, say, type Values } from "./words";

export type Theme = "light" | "dark";

interface Kept {
  units: UnitSystem;
  theme: Theme;
}

interface Settings extends Kept {
  /** Who is signed in. */
  personId: string;
  catalogue: Catalogue;
  set: (change: Partial<Kept>) => void;
  /** A word of the catalogue; its id where it is missing, so that a hole is seen. */
  word: (id: string, values?: Values) => string;
  /** A word by exactly this id, where there is one. */
  own: (id: string) => string | undefined;
  /** A core value in the user's units. */
  show: (coreValue: number, dimension: Dimension) => string;
  unit: (dimension: Dimension) => Unit;
  layout: (id: string) => Layout;
  person: (id: string) => string;
  /** What a component is called; an edited layout may hold parts that no preset has. */
  part: (id: string) => string;
  /** What a figure of a test is called: its own word, or the component at which it is read. */
  figure: (procedureId: string, figureId: string) => string;
  /** What is on, off or moved, and where. */
  fitting: (item: string) => string;
}

/** Whether somebody works here now; names that came with a job from another workshop sign nothing. */
export const signsHere = (person: Catalogue["staff"][number]): boolean =>
  person.role !== "elsewhere" && person.role !== "left";

const KEY = "overturn-settings";
const Context = createContext<Settings | undefined>(undefined);

function readKept(): Kept {
  const dark = window.matchMedia?.("(prefers-color-scheme: dark)").matches;
  const fallback: Kept = { units: "metric", theme: dark ? "dark" : "light" };
  try {
    const { units, theme } = { ...fallback, ...(JSON.parse(localStorage.getItem(KEY) ?? "{}") as Partial<Kept>) };
    return { units, theme };
  } catch {
    return fallback;
  }
}

/** Shows the pages before anybody is signed in as they were chosen on this device too. */
export const showTheme = (theme = readKept().theme): void => void (document.documentElement.dataset.theme = theme);

interface Shown {
  children: ReactNode;
  loading: ReactNode;
  failed: (error: Error, again: () => void) => ReactNode;
}

/** What the user chose on this device, and what the program knows; nothing else is shown before both are there. */
export function SettingsProvider({ children, loading, failed }: Shown) {
  const [kept, setKept] = useState(readKept);
  const { id: personId } = useMe();
  const words = useQuery({ queryKey: ["words"], queryFn: api.words, staleTime: Infinity });
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  useEffect(() => {
    showTheme(kept.theme);
    localStorage.setItem(KEY, JSON.stringify(kept));
  }, [kept]);
  const value = useMemo(
    () => (words.data && catalogue.data ? settings(personId, kept, setKept, words.data, catalogue.data) : undefined),
    [personId, kept, words.data, catalogue.data],
  );
  if (value) return <Context.Provider value={value}>{children}</Context.Provider>;
  const error = words.error ?? catalogue.error;
  return error ? failed(error, () => void Promise.all([words.refetch(), catalogue.refetch()])) : loading;
}

/** "front-left-hose" as words, for parts that no preset has. */
export const asWords = (id: string) => id.charAt(0).toUpperCase() + id.slice(1).replaceAll("-", " ");

function settings(
  personId: string,
  kept: Kept,
  setKept: (k: Kept) => void,
  words: Record<string, string>,
  catalogue: Catalogue,
): Settings {
  const part = (id: string) => words[`component.${id}`] ?? asWords(id);
  return {
    ...kept,
    personId,
    catalogue,
    part,
    figure: (procedureId, figureId) => words[keyed(`figure.${procedureId}.${figureId}`).key] ?? part(figureId),
    fitting: (item) => {
      const [kind = "", place] = item.split("@");
      return [words[`fitting.${kind}`] ?? words[`moved.${kind}`] ?? asWords(kind), place && part(place).toLowerCase()]
        .filter(Boolean)
        .join(", ");
    },
    set: (change) => setKept({ ...kept, ...change }),
    own: (id) => words[id],
    word: (id, values) => {
      const exact = words[id];
      if (exact !== undefined) return filled(exact, values);
      const { key, joints } = keyed(id);
      return filled(
        words[key] ?? id,
        joints.length > 0 ? { ...values, places: joints.map((j) => part(j).toLowerCase()).join(", ") } : values,
      );
    },
    show: (coreValue, dimension) => shown(coreValue, dimension, kept.units, catalogue.units),
    unit: (dimension) => unitFor(dimension, kept.units, catalogue.units),
    layout: (id) => {
      const layout = catalogue.layouts.find((l) => l.id === id);
      if (!layout) throw new Error(`Impossible: layout ${id} is not in the catalogue`);
      return layout;
    },
    person: (id) => {
      const person = catalogue.staff.find((p) => p.id === id);
      return person?.role === "elsewhere" ? say("elsewhere", { name: person.name }) : (person?.name ?? id);
    },
  };
}

/** Words as they are said of a vehicle: the sentence for a lever, a clutch, one without an assist or of one chamber, where such a one is written. */
export function useVehicleWord(layoutId: string): Settings["word"] {
  const settings = useSettings();
  return useMemo(() => {
    const kinds = settings.catalogue.layouts.find((l) => l.id === layoutId)?.kinds ?? [];
    return (id, values) => {
      const { key, joints } = keyed(id);
      const kind = kinds.find((one) => settings.own(`${key}@${one}`) !== undefined);
      if (kind === undefined) return settings.word(id, values);
      const places = joints.map((joint) => settings.part(joint).toLowerCase()).join(", ");
      return settings.word(`${key}@${kind}`, joints.length > 0 ? { ...values, places } : values);
    };
  }, [settings, layoutId]);
}

/** Below here every word is said as it is of this vehicle. */
export function ForVehicle({ layoutId, children }: { layoutId: string; children: ReactNode }) {
  const settings = useSettings();
  const word = useVehicleWord(layoutId);
  const said = useMemo(() => ({ ...settings, word }), [settings, word]);
  return <Context.Provider value={said}>{children}</Context.Provider>;
}

export function useSettings(): Settings {
  const settings = useContext(Context);
  if (!settings) throw new Error("Impossible: settings are used outside their provider");
  return settings;
}
