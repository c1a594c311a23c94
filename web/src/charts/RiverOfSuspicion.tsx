import { scaleLinear } from "d3-scale";
import { useMemo, useRef } from "react";
import { useSettings } from "../domain/settings";
import { NOTHING_WRONG, type Moment } from "../domain/types";
import { say, short } from "../domain/words";
import { currents, labelPlaces, REST, ribbon } from "./river";
import { useWidth } from "./useWidth";

interface Props {
  moments: Moment[];
  at: number;
  onMove: (moment: number) => void;
  hunch: string;
}

/** Drawn as wide as there is room, so that its words have the size of all others; narrow, it is higher instead. */
const USUAL_WIDTH = 940;
const NARROW = 600;
const TOP = 6;
const BOTTOM = 96;
const BOTTOM_NARROW = 176;
const MOST = 5;
const LEFT = 36;
const LETTER = 5.5;
/** Widths of a letter on the axis, plain and of the chosen moment, and what is left free between two names. */
const LETTER_AXIS = 6.2;
const LETTER_BOLD = 6.8;
const BETWEEN = 10;
const OPACITY = [1, 0.68, 0.46, 0.3, 0.2];

/** How suspicion moved; the line can be drawn back to what was believed before. */
export function River({ moments, at, onMove, hunch }: Props) {
  const { word } = useSettings();
  const bands = useMemo(() => currents(moments, MOST), [moments]);
  const drawing = useRef<HTMLDivElement>(null);
  const width = useWidth(drawing, USUAL_WIDTH);
  const bottom = width < NARROW ? BOTTOM_NARROW : BOTTOM;
  const last = Math.max(1, moments.length - 1);
  const x = scaleLinear([0, last], [LEFT, width - LEFT]);
  const y = scaleLinear([0, 1], [TOP, bottom]);
  const nameOf = (moment: Moment) =>
    moment.repaired.length > 0
      ? say("repairedMark")
      : moment.procedureId === undefined
        ? say("beforeIntake")
        : moment.procedureId === "characterise"
          ? say("intake")
          : word(`test.${moment.procedureId}`);
  const here = moments[at];
  const written = (moment: Moment, i: number) =>
    short(nameOf(moment), i === at ? 40 : Math.floor((width - 2 * LEFT) / last / 7));
  const anchorAt = (i: number) => (i === 0 ? "start" : i === last ? "end" : "middle");
  const chosen = here && spanOf(written(here, at), x(at), anchorAt(at), LETTER_BOLD);
  const hasRoom = (moment: Moment, i: number) => {
    const own = spanOf(written(moment, i), x(i), anchorAt(i), LETTER_AXIS);
    return chosen === undefined || own.to + BETWEEN < chosen.from || own.from - BETWEEN > chosen.to;
  };
  return (
    <section aria-label={say("evidence")} className="px-3 pt-2 pb-1">
      <div className="flex flex-wrap justify-between gap-x-4">
        <h2 className="caps">
          {say("evidence")} · {say("evidenceDraw")}
        </h2>
        {at < moments.length - 1 && (
          <button type="button" className="label -my-3 min-h-11 underline" onClick={() => onMove(moments.length - 1)}>
            {say("backToNow")}
          </button>
        )}
      </div>
      <div ref={drawing} className="relative">
        <svg viewBox={`0 0 ${width} ${bottom + 44}`} className="block w-full" aria-hidden="true">
          {moments.length > 1 &&
            bands.map((band, i) => (
              <path
                key={band.id}
                d={ribbon(band, x, y)}
                fill={band.id === REST ? "var(--grid)" : band.id === NOTHING_WRONG ? "var(--cool-band)" : "var(--hot)"}
                fillOpacity={band.id === REST || band.id === NOTHING_WRONG ? 1 : (OPACITY[i] ?? 0.2)}
                stroke="var(--ground)"
                strokeWidth="1.5"
              />
            ))}
          {labelPlaces(bands, x, y).map(({ band, at: spot, anchor }) => (
            <text
              key={band.id}
              x={spot.x}
              y={spot.y + 5}
              textAnchor={anchor}
              stroke={ground(band.id, bands.indexOf(band))}
              strokeWidth="4"
              strokeLinejoin="round"
              paintOrder="stroke"
              className={
                band === bands[0] && band.id !== NOTHING_WRONG
                  ? "figures fill-white text-[15px] font-semibold dark:fill-black"
                  : "figures fill-ink text-[15px] font-medium"
              }
            >
              {band.id === REST ? say("rest") : word(`suspect.${band.id}`)}
            </text>
          ))}
          {moments.map((moment, i) => (
            <g key={moment.entryId ?? `${i} ${moment.repaired.join()}`}>
              <line
                x1={x(i)}
                x2={x(i)}
                y1={TOP - 4}
                y2={bottom + 4}
                stroke={moment.repaired.length > 0 ? "var(--cool)" : "var(--ink)"}
                strokeWidth={i === at ? 3 : moment.repaired.length > 0 ? 3 : 1}
                strokeDasharray={moment.repaired.length > 0 ? "7 4" : undefined}
                opacity={i === at || moment.repaired.length > 0 ? 1 : 0.35}
              />
              {(i === at || (hasRoom(moment, i) && (moments.length < 9 || i % 2 === 0))) && (
                <text
                  x={x(i)}
                  y={bottom + 22}
                  textAnchor={anchorAt(i)}
                  className={i === at ? "figures fill-ink text-[14px] font-semibold" : "figures fill-soft text-[14px]"}
                >
                  {written(moment, i)}
                </text>
              )}
            </g>
          ))}
          <text x={width - LEFT} y={bottom + 39} textAnchor="end" className="figures fill-soft text-[13px]">
            {short(hunch, Math.floor((width - 2 * LEFT) / LETTER))}
          </text>
        </svg>
        <input
          type="range"
          min={0}
          max={moments.length - 1}
          step={1}
          value={at}
          onChange={(e) => onMove(Number(e.target.value))}
          aria-label={say("evidenceDraw")}
          aria-valuetext={here && at > 0 ? say("evidenceAt", { what: nameOf(here) }) : say("beforeAny")}
          className="absolute inset-x-0 top-0 h-3/4 w-full cursor-ew-resize opacity-0 focus-visible:opacity-30"
        />
      </div>
    </section>
  );
}

/** From where to where a name reaches along the axis, in the units of the drawing. */
function spanOf(name: string, at: number, anchor: "start" | "middle" | "end", letter: number) {
  const long = letter * name.length;
  const from = anchor === "start" ? at : anchor === "end" ? at - long : at - long / 2;
  return { from, to: from + long };
}

/** The colour on which a band's name is read, wherever it reaches beyond the band. */
function ground(id: string, place: number): string {
  if (id === REST) return "var(--grid)";
  return id === NOTHING_WRONG
    ? "var(--cool-band)"
    : `color-mix(in srgb, var(--hot) ${100 * (OPACITY[place] ?? 0.2)}%, var(--ground))`;
}
