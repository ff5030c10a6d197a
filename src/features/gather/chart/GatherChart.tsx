import { useMemo, useState } from 'react';
import { type Series, barsOf, curveOf } from '../../../core/gather/forms/series';
import { isTimeKey, timeLabel } from '../../../core/gather/forms/time-keys';
import type { Measure } from '../../../core/gather/language/ast';
import { useWidth } from '../../../ui/window/use-width';
import { saveFile } from '../../files/out/save-file';
import { useNow } from '../../session/state/services';
import type { FormProps } from '../list/form-props';
import { Bars } from './Bars';
import { Curve } from './Curve';
import { Legend } from './Legend';
import { figuresCsv } from './figures-csv';
import { TasksOfKey } from './TasksOfKey';
import { savedPicture } from './saved-picture';
import { useHoursThere } from './use-hours-there';
import { valueWords } from './value-words';

/** A picture is at most so wide, in pixels; where there is less room it is drawn for that, so that its letters stay as large. */
const WIDEST = 640;

/** A gather as bars or as a curve, with its figures as a table; a bar that is pressed shows its tasks. */
export function GatherChart({ answer, name }: FormProps) {
  const { day: today } = useNow();
  const { form, groups } = answer;
  const [picture, setPicture] = useState<HTMLDivElement | null>(null);
  const width = Math.min(WIDEST, useWidth(picture, WIDEST));
  const [chosen, setChosen] = useState<string | null>(null);
  const series = useMemo(
    () => (form?.is === 'bars' ? barsOf(form, groups) : form?.is === 'curve' ? curveOf(form, groups, today) : []),
    [form, groups, today],
  );
  const keys = useMemo(() => series[0]?.values.map(({ key }) => key) ?? [], [series]);
  const hours = useHoursThere(form, keys);
  if (form?.is !== 'bars' && form?.is !== 'curve') return null;
  const { measure, by } = form;
  const isTime = isTimeKey(by);
  const measured = hours.size === 0 ? series : [...series, hoursSeries(keys, hours)];
  const [first] = series;
  if (!first || first.values.length === 0) return <p className="text-muted">There is nothing to measure yet: no task stands here.</p>;
  const file =
    (name.split('\n').at(-1) ?? 'figures')
      .replace(/[^\p{L}\p{N} -]+/gu, ' ')
      .trim()
      .slice(0, 60) || 'figures';
  return (
    <div>
      <Legend series={series} />
      {hours.size > 0 && (
        <p className="mb-1 flex items-center gap-1.5 text-[0.86rem]">
          <span className="inline-block w-4 border-t-2 border-ink" aria-hidden="true" /> the hours there are
        </p>
      )}
      <div ref={setPicture} className="overflow-x-auto">
        {form.is === 'curve' && isTime ? (
          <Curve series={series} measure={measure} width={width} label={timeLabel} />
        ) : (
          <Bars {...{ series, measure, width, isTime, chosen }} label={timeLabel} against={hours} onChoose={setChosen} />
        )}
      </div>
      <div className="no-print mt-1 flex flex-wrap gap-1 text-[0.86rem]">
        <button
          type="button"
          className="quiet-button"
          onClick={() => saveFile(`${file}.csv`, new TextEncoder().encode(figuresCsv(by, measure, measured)))}
        >
          Save as CSV
        </button>
        {(['svg', 'png'] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            className="quiet-button"
            onClick={() => {
              const drawn = picture?.querySelector('svg');
              if (drawn) void savedPicture(drawn, kind).then((bytes) => saveFile(`${file}.${kind}`, bytes));
            }}
          >
            Save as {kind.toUpperCase()}
          </button>
        ))}
      </div>
      {chosen !== null && <TasksOfKey label="Tasks of the bar" by={by} value={first.values.find(({ key }) => (key ?? '') === chosen)} />}
      <Figures series={measured} measure={measure} by={by} />
    </div>
  );
}

/** The hours there are, beside what is measured. */
const hoursSeries = (keys: readonly (string | null)[], hours: ReadonlyMap<string, number>): Series => ({
  key: 'hours',
  label: 'hours there are',
  values: keys.map((key) => ({ key, label: key ?? '', value: hours.get(key ?? '') ?? 0 })),
});

function Figures({ series, measure, by }: { series: readonly Series[]; measure: Measure; by: string }) {
  const [first] = series;
  return (
    <details className="mt-1 text-[0.9rem]">
      <summary className="min-h-[25px] cursor-pointer text-muted">The figures</summary>
      <table className="mt-1 border-collapse">
        <thead>
          <tr className="border-b border-edge text-start">
            <th scope="col" className="py-0.5 pe-4 text-start font-semibold">
              {by}
            </th>
            {series.map(({ key, label }) => (
              <th key={key} scope="col" className="py-0.5 pe-4 text-end font-semibold">
                {label === '' ? measure : label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {first?.values.map(({ key, label }, at) => (
            <tr key={key} className="border-b border-line">
              <th scope="row" className="py-0.5 pe-4 text-start font-normal">
                {label}
              </th>
              {series.map((one) => (
                <td key={one.key} className="py-0.5 pe-4 text-end tabular-nums">
                  {valueWords(measure, one.values[at]?.value ?? 0)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
