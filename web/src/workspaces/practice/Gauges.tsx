import { line } from "d3-shape";
import { useState } from "react";
import { useSettings } from "../../domain/settings";
import type { Layout, RigMoment } from "../../domain/types";
import { shownFigure } from "../../domain/units";
import { marks } from "./state";
import { say, type UiWord } from "../../domain/words";

const PER_SECOND = 25;
const SHOWN_SECONDS = 30;

/** What is put on the vehicle to look at. */
type Instrument = "tape" | "gauge" | "assist" | "level" | "slave";

interface Shown {
  id: Instrument;
  label: UiWord;
  dimension: "LENGTH" | "PRESSURE" | "DEPRESSION" | "VOLUME";
  of: (moment: RigMoment) => number;
  most: number;
}

function instruments(layout: Layout): Shown[] {
  const has = (kind: string) => layout.components.some((c) => c.kind === kind);
  const vacuum = has("VACUUM_ASSIST");
  const all: (Shown | false)[] = [
    {
      id: "tape",
      label: "rigTravel",
      dimension: "LENGTH",
      of: (m) => m.travelMm,
      most: layout.family.startsWith("lever") ? 90 : 160,
    },
    {
      id: "gauge",
      label: "rigPressure",
      dimension: "PRESSURE",
      of: (m) => Math.max(0, ...Object.values(m.barByChamber)),
      most: 120,
    },
    (vacuum || has("HYDRAULIC_ASSIST")) && {
      id: "assist",
      label: vacuum ? "rigVacuum" : "rigAccumulator",
      dimension: vacuum ? "DEPRESSION" : "PRESSURE",
      of: (m) => m.reserve,
      most: vacuum ? 95 : 140,
    },
    { id: "level", label: "rigLevel", dimension: "VOLUME", of: (m) => m.aboveMinimumMl, most: 150 },
    has("SLAVE") && { id: "slave", label: "rigSlave", dimension: "LENGTH", of: (m) => m.slaveStrokeMm, most: 25 },
  ];
  return all.filter((one) => one !== false);
}

/** The instruments that are on the vehicle, each with what it showed in the last half minute. */
export function Gauges({ layout, now, past }: { layout: Layout; now?: RigMoment; past: RigMoment[] }) {
  const { unit } = useSettings();
  const all = instruments(layout);
  const [on, setOn] = useState<Instrument[]>(["tape"]);
  return (
    <section aria-label={say("rigInstruments")} className="grid gap-3">
      <div className="flex flex-wrap gap-2">
        {all.map((one) => (
          <button
            key={one.id}
            type="button"
            aria-pressed={on.includes(one.id)}
            className="min-h-11 border-2 border-ink px-3 aria-pressed:bg-fill aria-pressed:text-fill-ink"
            onClick={() => setOn(on.includes(one.id) ? on.filter((id) => id !== one.id) : [...on, one.id])}
          >
            {say(one.label)}
          </button>
        ))}
      </div>
      {all
        .filter((one) => on.includes(one.id))
        .map((one) => {
          const shown = unit(one.dimension);
          const value = now ? one.of(now) : 0;
          return (
            <div key={one.id} className="grid grid-cols-[9.5rem_1fr] items-center gap-3 border-t border-rule pt-2">
              <p>
                <span className="caps block">{say(one.label)}</span>
                <span className="figures text-3xl font-semibold" data-instrument={one.id}>
                  {shownFigure(value, shown)}
                </span>{" "}
                <span className="text-soft">{shown.symbol}</span>
              </p>
              <div>
                <Trace values={past.slice(-PER_SECOND * SHOWN_SECONDS).map(one.of)} most={one.most} />
                <p className="figures flex flex-wrap gap-x-4 text-sm">
                  {marks(past, one.of).map(({ second, value: then }) => (
                    <span key={second}>
                      {second} s: <span className="font-semibold">{shownFigure(then, shown)}</span> {shown.symbol}
                    </span>
                  ))}
                </p>
              </div>
            </div>
          );
        })}
    </section>
  );
}

function Trace({ values, most }: { values: number[]; most: number }) {
  const width = PER_SECOND * SHOWN_SECONDS;
  const drawn = line<number>()
    .x((_, at) => width - values.length + at)
    .y((value) => 58 - (54 * Math.max(0, Math.min(most, value))) / most);
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
