import { scaleBand, scaleLinear } from 'd3-scale';
import type { Series } from '../../../core/gather/forms/series';
import type { Measure } from '../../../core/gather/language/ast';
import { valueWords } from './value-words';
import { toneOf } from './tones';

interface BarsProps {
  series: readonly Series[];
  measure: Measure;
  /** In pixels; bars over time take more where they are many. */
  width: number;
  /** Whether the keys follow each other in time, and stand from left to right. */
  isTime: boolean;
  label: (key: string) => string;
  /** What each is read against, as a mark over it; empty for nothing. */
  against: ReadonlyMap<string, number>;
  chosen: string | null;
  onChoose: (key: string | null) => void;
}

const HEIGHT = 220;
const ROW = 28;
/** The room of names beside bars, in pixels; at most so much of the whole. */
const NAMES = 170;
const NAMES_SHARE = 0.4;
/** So wide a letter of a name is at most, in pixels. */
const LETTER = 6.4;

/** Where an axis is marked: of time at whole hours. */
function ticksOf(measure: Measure, most: number, usual: readonly number[]): readonly number[] {
  if (measure !== 'takes') return usual;
  const step = 60 * Math.max(1, Math.ceil(most / 60 / 5));
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, at) => at * step);
}

/** Bars of one key, stacked by another: over time from left to right, else one below the other with their names. */
export function Bars({ series, measure, width: room, isTime, label, against, chosen, onChoose }: BarsProps) {
  const values = series[0]?.values ?? [];
  const keys = values.map(({ key }) => key ?? '');
  const totalOf = (at: number): number => series.reduce((sum, one) => sum + (one.values[at]?.value ?? 0), 0);
  const most = Math.max(1, ...values.map((_, at) => totalOf(at)), ...against.values());
  const width = isTime ? Math.max(room, keys.length * 14 + 60) : room;
  const names = Math.min(NAMES, room * NAMES_SHARE);
  const letters = Math.floor(names / LETTER);
  const height = isTime ? HEIGHT : keys.length * ROW + 4;
  const band = scaleBand<string>(keys, isTime ? [44, width - 4] : [2, height - 2]).padding(0.22);
  const size = scaleLinear([0, most], isTime ? [0, height - 44] : [0, width - names - 60]);
  const every = Math.ceil(keys.length / 16);
  const ofHours = (id: string): string => (against.has(id) ? ` of ${valueWords(measure, against.get(id) ?? 0)}` : '');
  return (
    <svg
      role="group"
      aria-label={`Bars of ${measure}`}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      className="block max-w-none text-[12px]"
    >
      {isTime &&
        ticksOf(measure, most, size.ticks(4)).map((tick) => (
          <g key={tick} transform={`translate(0 ${height - 24 - size(tick)})`}>
            <line x1={40} x2={width} stroke="var(--line)" />
            <text x={36} dy="0.32em" textAnchor="end" fill="var(--muted)">
              {valueWords(measure, tick)}
            </text>
          </g>
        ))}
      {values.map(({ key, label: words }, at) => {
        const id = key ?? '';
        const start = band(id) ?? 0;
        const thick = band.bandwidth();
        const total = totalOf(at);
        let before = 0;
        return (
          <g
            key={id}
            role="button"
            tabIndex={0}
            aria-pressed={chosen === id}
            aria-label={`${words}: ${valueWords(measure, total)}${ofHours(id)}`}
            className="chart-bar cursor-pointer"
            onClick={() => onChoose(chosen === id ? null : id)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              onChoose(chosen === id ? null : id);
            }}
          >
            <title>{`${words}: ${valueWords(measure, total)}${ofHours(id)}`}</title>
            <rect
              x={isTime ? start : 0}
              y={isTime ? 0 : start}
              width={isTime ? thick : width}
              height={isTime ? height - 24 : thick}
              fill={chosen === id ? 'var(--raised)' : 'transparent'}
            />
            {series.map((one, place) => {
              const long = size(one.values[at]?.value ?? 0);
              const from = before;
              before += long;
              const { fill, opacity, hatch } = toneOf(place);
              const box = isTime
                ? { x: start, y: height - 24 - from - long, width: thick, height: long }
                : { x: names + from, y: start, width: long, height: thick };
              return (
                <g key={one.key}>
                  <rect {...box} fill={fill} opacity={opacity} />
                  {hatch && <rect {...box} fill="none" stroke="var(--sheet)" strokeDasharray="3 3" strokeWidth={3} />}
                </g>
              );
            })}
            {against.has(id) && (
              <line
                x1={start - thick * 0.14}
                x2={start + thick * 1.14}
                y1={height - 24 - size(against.get(id) ?? 0)}
                y2={height - 24 - size(against.get(id) ?? 0)}
                stroke="var(--ink)"
                strokeWidth={2}
              />
            )}
            {isTime ? (
              at % every === 0 && (
                <text x={start + thick / 2} y={height - 8} textAnchor="middle" fill="var(--muted)">
                  {label(id)}
                </text>
              )
            ) : (
              <>
                <text x={names - 8} y={start + thick / 2} dy="0.32em" textAnchor="end" fill="var(--ink)">
                  {words.length > letters ? `${words.slice(0, letters - 1)}…` : words}
                </text>
                <text x={names + before + 6} y={start + thick / 2} dy="0.32em" fill="var(--muted)">
                  {valueWords(measure, total)}
                </text>
              </>
            )}
          </g>
        );
      })}
    </svg>
  );
}
