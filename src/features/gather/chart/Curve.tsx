import { scaleLinear, scalePoint } from 'd3-scale';
import { line } from 'd3-shape';
import type { Series } from '../../../core/gather/forms/series';
import type { Measure } from '../../../core/gather/language/ast';
import { valueWords } from './value-words';

interface CurveProps {
  series: readonly Series[];
  measure: Measure;
  /** In pixels. */
  width: number;
  label: (key: string) => string;
}

const HEIGHT = 220;
/** So much room each name along the bottom has, in pixels. */
const A_NAME = 64;

/** How something stood at the end of each day, week or month. */
export function Curve({ series, measure, width, label }: CurveProps) {
  const values = series[0]?.values ?? [];
  const keys = values.map(({ key }) => key ?? '');
  const most = Math.max(1, ...values.map(({ value }) => value));
  const across = scalePoint<string>(keys, [48, width - 12]);
  const up = scaleLinear([0, most], [HEIGHT - 28, 12]).nice();
  const drawn = line<(typeof values)[number]>(
    ({ key }) => across(key ?? '') ?? 0,
    ({ value }) => up(value),
  )(values);
  const every = Math.ceil(keys.length / (width / A_NAME));
  const last = values.at(-1);
  return (
    <svg
      role="img"
      aria-label={`${measure} over time; at the end ${valueWords(measure, last?.value ?? 0)}`}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      width={width}
      height={HEIGHT}
      className="block text-[12px]"
    >
      {up.ticks(4).map((tick) => (
        <g key={tick} transform={`translate(0 ${up(tick)})`}>
          <line x1={44} x2={width} stroke="var(--line)" />
          <text x={40} dy="0.32em" textAnchor="end" fill="var(--muted)">
            {valueWords(measure, tick)}
          </text>
        </g>
      ))}
      {keys.map(
        (key, at) =>
          at % every === 0 && (
            <text key={key} x={across(key)} y={HEIGHT - 8} textAnchor="middle" fill="var(--muted)">
              {label(key)}
            </text>
          ),
      )}
      {drawn && <path d={drawn} fill="none" stroke="var(--primary)" strokeWidth={2.2} strokeLinejoin="round" />}
      {last && <circle cx={across(last.key ?? '')} cy={up(last.value)} r={3.5} fill="var(--primary)" />}
    </svg>
  );
}
