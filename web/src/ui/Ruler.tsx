import { scaleLinear } from "d3-scale";
import { useRef } from "react";
import { spanOf } from "../charts/span";
import { useWidth } from "../charts/useWidth";
import { useSettings } from "../domain/settings";
import type { Figure } from "../domain/types";
import { readingFigure, shownReading } from "../domain/units";
import { say, short } from "../domain/words";

interface Props {
  figure: Figure;
  /** What was read, core unit. */
  mark?: number;
  title: string;
  /** For a narrow place: fewer bands, drawn at the size of the ledger. */
  compact?: boolean;
}

/** A figure after a repair in one sentence: as a sound one or not, and what it was before. */
export function AsBefore({ figure, mark }: { figure: Figure; mark: number | undefined }) {
  const { unit } = useSettings();
  const sound = figure.bands[0];
  if (mark === undefined || figure.readBefore === undefined || !sound) return null;
  return (
    <p className="figures text-lg">
      {say(mark >= sound.low && mark <= sound.high ? "asSound" : "notAsSound", {
        now: shownReading(mark, figure, unit(figure.dimension)),
        before: shownReading(figure.readBefore, figure, unit(figure.dimension)),
      })}
    </p>
  );
}

const WIDE = 560;
const NARROW = 300;
const PAD = 18;
const ROW = 38;
const MOST_COMPACT = 3;
/** Width of a letter of the label face at its size, about. */
const LETTER = 6.6;

/** A reading as a position: sound band, bands of the live suspects, the mark. */
export function Ruler({ figure, mark, title, compact = false }: Props) {
  const drawing = useRef<HTMLElement>(null);
  const room = useWidth(drawing, WIDE);
  const width = compact ? NARROW : Math.max(NARROW, Math.min(WIDE, room));
  const bands = compact ? figure.bands.slice(0, MOST_COMPACT) : figure.bands;
  const { unit, word } = useSettings();
  const own = unit(figure.dimension);
  const inUnit = (core: number) => core / own.coreUnitsPerUnit;
  const before = figure.soundBefore;
  const drawn = before ? [...bands, before] : bands;
  const was = figure.readBefore;
  const values = drawn
    .flatMap((b) => [inUnit(b.low), inUnit(b.high)])
    .concat([mark, was].filter((core) => core !== undefined).map(inUnit));
  const scale = scaleLinear(spanOf(values), [PAD, width - PAD]);
  const base = 13 + drawn.length * ROW;
  const height = base + (mark === undefined ? 28 : 58);
  return (
    <figure ref={drawing} className="m-0">
      <figcaption className="caps mb-1">{title}</figcaption>
      <svg viewBox={`0 0 ${width} ${height}`} className="block w-full" role="img" aria-label={described()}>
        {mark !== undefined && (
          <g className="just-changed">
            <line
              x1={scale(inUnit(mark))}
              x2={scale(inUnit(mark))}
              y1={4}
              y2={base + 8}
              stroke="var(--ink)"
              strokeWidth="3"
            />
            <path d={`M${scale(inUnit(mark)) - 7},${base + 12}l7,-10l7,10z`} fill="var(--ink)" />
            <text
              x={Math.min(width - 50, Math.max(50, scale(inUnit(mark))))}
              y={base + 50}
              textAnchor="middle"
              className="figures fill-ink text-[26px] font-semibold"
            >
              {shownReading(mark, figure, own)}
            </text>
          </g>
        )}
        {bands.map((band, row) => (
          <BandMark
            key={band.suspectId}
            row={row}
            width={width}
            sound={row === 0}
            from={scale(inUnit(band.low))}
            to={scale(inUnit(band.high))}
            label={labelled(row === 0 ? say("sound") : word(`suspect.${band.suspectId}`), range(band.low, band.high))}
          />
        ))}
        {before && (
          <BandMark
            row={bands.length}
            width={width}
            sound
            from={scale(inUnit(before.low))}
            to={scale(inUnit(before.high))}
            label={labelled(say("soundBefore"), range(before.low, before.high))}
          />
        )}
        {was !== undefined && (
          <g>
            <line
              x1={scale(inUnit(was))}
              x2={scale(inUnit(was))}
              y1={4}
              y2={base}
              stroke="var(--ink)"
              strokeWidth="2"
              strokeDasharray="5 4"
            />
            <text
              x={Math.min(width - 30, Math.max(30, scale(inUnit(was))))}
              y={base - 4}
              textAnchor="middle"
              stroke="var(--halo, var(--panel))"
              strokeWidth="4"
              paintOrder="stroke"
              className="figures fill-soft text-[13px]"
            >
              {say("readBefore")}
            </text>
          </g>
        )}
        <line x1={PAD} x2={width - PAD} y1={base} y2={base} stroke="var(--ink)" strokeWidth="2" />
        {scale.ticks(5).map((tick) => (
          <g key={tick}>
            <line x1={scale(tick)} x2={scale(tick)} y1={base} y2={base + 7} stroke="var(--ink)" />
            <text x={scale(tick)} y={base + 21} textAnchor="middle" className="figures fill-soft text-[14px]">
              {String(tick).replace("-", "−")}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );

  /** A band's name and its range; where both are too long for the ruler, the name gives way. */
  function labelled(name: string, figures: string) {
    return `${short(name, Math.floor((width - 4) / LETTER) - figures.length - 1)} ${figures}`;
  }

  function range(bandLow: number, bandHigh: number) {
    return `${readingFigure(bandLow, figure, own)} – ${readingFigure(bandHigh, figure, own)} ${own.symbol}`;
  }

  function described() {
    const told = bands.map(
      (b, i) => `${i === 0 ? say("sound") : word(`suspect.${b.suspectId}`)} ${range(b.low, b.high)}`,
    );
    if (was !== undefined) told.push(`${say("readBefore")} ${shownReading(was, figure, own)}`);
    if (before) told.push(`${say("soundBefore")} ${range(before.low, before.high)}`);
    return [title, mark === undefined ? "" : `${say("read")} ${shownReading(mark, figure, own)}`, ...told]
      .filter(Boolean)
      .join(", ");
  }
}

interface MarkProps {
  row: number;
  width: number;
  sound: boolean;
  from: number;
  to: number;
  label: string;
}

function BandMark({ row, width, sound, from, to, label }: MarkProps) {
  const y = 21 + row * ROW;
  const half = (label.length * LETTER) / 2;
  const x = Math.min(width - half - 2, Math.max(half + 2, (from + to) / 2));
  return (
    <g>
      <defs>
        <pattern
          id={`ruler-${row}`}
          width={4 + 2 * row}
          height={4 + 2 * row}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" y2={4 + 2 * row} stroke="var(--hot)" strokeWidth="1.4" />
        </pattern>
      </defs>
      <rect
        x={from}
        y={y}
        width={Math.max(3, to - from)}
        height="14"
        fill={sound ? "var(--cool-band)" : `url(#ruler-${row})`}
        stroke={sound ? "var(--cool)" : "var(--hot)"}
      />
      <text
        x={x}
        y={y - 5}
        textAnchor="middle"
        stroke="var(--halo, var(--panel))"
        strokeWidth="4"
        paintOrder="stroke"
        className={
          sound ? "figures fill-cool-text text-[15px] font-medium" : "figures fill-hot-text text-[15px] font-medium"
        }
      >
        {label}
      </text>
    </g>
  );
}
