import { line } from "d3-shape";
import { useState } from "react";
import { useSettings } from "../../domain/settings";
import type { Layout, RigMoment, Test } from "../../domain/types";
import { shownFigure } from "../../domain/units";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { marksOf } from "../runner/state";
import { marks, type Shows } from "./state";

const PER_SECOND = 25;
const SHOWN_SECONDS = 30;

/** What is put on the vehicle to look at. */
interface Instrument {
  id: string;
  label: UiWord;
  dimension: "LENGTH" | "PRESSURE" | "DEPRESSION" | "VOLUME";
  most: number;
}

function instruments(layout: Layout): Instrument[] {
  const has = (kind: string) => layout.components.some((c) => c.kind === kind);
  const vacuum = has("VACUUM_ASSIST");
  const all: (Instrument | false)[] = [
    {
      id: "travel-tape",
      label: "rigTravel",
      dimension: "LENGTH",
      most: layout.family.startsWith("lever") ? 90 : 160,
    },
    { id: "pressure-gauge", label: "rigPressure", dimension: "PRESSURE", most: 120 },
    (vacuum || has("HYDRAULIC_ASSIST")) && {
      id: "reserve-gauge",
      label: vacuum ? "rigVacuum" : "rigAccumulator",
      dimension: vacuum ? "DEPRESSION" : "PRESSURE",
      most: vacuum ? 95 : 140,
    },
    { id: "level-rule", label: "rigLevel", dimension: "VOLUME", most: 150 },
    has("SLAVE") && { id: "slave-tape", label: "rigSlave", dimension: "LENGTH", most: 25 },
  ];
  return all.filter((one) => one !== false);
}

interface Props {
  layout: Layout;
  now?: RigMoment;
  past: RigMoment[];
  /** The test whose figures may be taken from an instrument. */
  test?: Test;
  onEnter: (shows: Shows, instrument: string) => void;
}

/** The instruments that are on the vehicle, each with what it showed in the last half minute. */
export function Gauges({ layout, now, past, test, onEnter }: Props) {
  const { unit, word } = useSettings();
  const [on, setOn] = useState(["travel-tape"]);
  const wanted = test && marksOf(test).size > 0 ? test.figures[0]?.dimension : undefined;
  return (
    <section aria-label={say("rigInstruments")} className="grid gap-3">
      <div className="flex flex-wrap gap-2">
        {instruments(layout).map(({ id, label }) => (
          <button
            key={id}
            type="button"
            aria-pressed={on.includes(id)}
            className="min-h-11 border-2 border-ink px-3 aria-pressed:bg-fill aria-pressed:text-fill-ink"
            onClick={() => setOn(on.includes(id) ? on.filter((one) => one !== id) : [...on, id])}
          >
            {say(label)}
          </button>
        ))}
      </div>
      {instruments(layout)
        .filter(({ id }) => on.includes(id))
        .map(({ id, label, dimension, most }) => {
          const shown = unit(dimension);
          const of: Shows = (moment) => moment.read[id];
          const value = now && of(now);
          const come = marks(past, of);
          return (
            <div key={id} className="grid grid-cols-[9.5rem_1fr] items-center gap-3 border-t border-rule pt-2">
              <p>
                <span className="caps block">{say(label)}</span>
                <span className="figures text-3xl font-semibold" data-instrument={id}>
                  {value === undefined ? "–" : shownFigure(value, shown)}
                </span>{" "}
                <span className="text-soft">{shown.symbol}</span>
              </p>
              <div>
                <Trace values={past.slice(-PER_SECOND * SHOWN_SECONDS).map(of)} most={most} />
                <p className="figures flex flex-wrap gap-x-4 text-sm">
                  {come.map(({ second, value: then }) => (
                    <span key={second}>
                      {second} s: <span className="font-semibold">{shownFigure(then, shown)}</span> {shown.symbol}
                    </span>
                  ))}
                </p>
              </div>
              {test && wanted === dimension && id !== "slave-tape" && come.length > 0 && (
                <Button className="col-span-full" onClick={() => onEnter(of, say(label))}>
                  {say("rigEnter", { test: word(`test.${test.id}`) })}
                </Button>
              )}
            </div>
          );
        })}
    </section>
  );
}

/** The last half minute; where it dropped out the line is broken. */
function Trace({ values, most }: { values: (number | undefined)[]; most: number }) {
  const width = PER_SECOND * SHOWN_SECONDS;
  const drawn = line<number | undefined>()
    .defined((value) => value !== undefined)
    .x((_, at) => width - values.length + at)
    .y((value) => 58 - (54 * Math.max(0, Math.min(most, value ?? 0))) / most);
  return (
    <svg viewBox={`0 0 ${width} 60`} preserveAspectRatio="none" className="h-16 w-full bg-panel" aria-hidden="true">
      {[0, 10, 20, 30].map((second) => (
        <path key={second} d={`M${second * PER_SECOND} 0V60`} stroke="var(--grid)" strokeWidth="2" />
      ))}
      <path
        d={drawn(values) ?? ""}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.5"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
