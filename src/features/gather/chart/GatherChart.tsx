import { useContext, useMemo, useRef, useState } from 'react';
import { type Series, barsOf, curveOf } from '../../../core/gather/answer/series';
import { isTimeKey, timeLabel } from '../../../core/gather/answer/time-keys';
import type { Measure } from '../../../core/gather/language/ast';
import { saveFile } from '../../exchange/save-file';
import { useNow } from '../../session/state/services';
import { useAnswer } from '../../session/state/use-answer';
import { GatherSource } from '../gather-source';
import { GatherList } from '../list/GatherList';
import type { FormProps } from '../list/form-props';
import { Bars } from './Bars';
import { Curve } from './Curve';
import { Legend } from './Legend';
import { figuresCsv } from './figures-csv';
import { savedPicture } from './saved-picture';
import { tasksOfKey } from './tasks-of-key';
import { valueWords } from './value-words';

/** A gather as bars or as a curve, with its figures as a table; a bar that is pressed shows its tasks. */
export function GatherChart({ answer, name }: FormProps) {
  const { day: today } = useNow();
  const { form, groups } = answer;
  const source = useContext(GatherSource);
  const picture = useRef<HTMLDivElement>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const series = useMemo(
    () => (form?.is === 'bars' ? barsOf(form, groups) : form?.is === 'curve' ? curveOf(form, groups, today) : []),
    [form, groups, today],
  );
  if (form?.is !== 'bars' && form?.is !== 'curve') return null;
  const { measure, by } = form;
  const isTime = isTimeKey(by);
  const [first] = series;
  if (!first || first.values.length === 0) return <p className="text-muted">There is nothing to measure yet: no task stands here.</p>;
  const tasks =
    chosen === null || !source
      ? null
      : tasksOfKey(
          source.text,
          by,
          first.values.find(({ key }) => (key ?? '') === chosen),
        );
  const file =
    (name.split('\n').at(-1) ?? 'figures')
      .replace(/[^\p{L}\p{N} -]+/gu, ' ')
      .trim()
      .slice(0, 60) || 'figures';
  return (
    <div>
      <Legend series={series} />
      <div ref={picture} className="overflow-x-auto">
        {form.is === 'curve' && isTime ? (
          <Curve series={series} measure={measure} label={timeLabel} />
        ) : (
          <Bars series={series} measure={measure} isTime={isTime} label={timeLabel} chosen={chosen} onChoose={setChosen} />
        )}
      </div>
      <div className="no-print mt-1 flex flex-wrap gap-1 text-[0.86rem]">
        <button
          type="button"
          className="quiet-button"
          onClick={() => saveFile(`${file}.csv`, new TextEncoder().encode(figuresCsv(by, measure, series)))}
        >
          Save as CSV
        </button>
        {(['svg', 'png'] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            className="quiet-button"
            onClick={() => {
              const drawn = picture.current?.querySelector('svg');
              if (drawn) void savedPicture(drawn, kind).then((bytes) => saveFile(`${file}.${kind}`, bytes));
            }}
          >
            Save as {kind.toUpperCase()}
          </button>
        ))}
      </div>
      {tasks !== null && (
        <section aria-label="Tasks of the bar" className="mt-2 border-t border-line pt-2">
          <TasksOfBar key={tasks} text={tasks} />
        </section>
      )}
      <Figures series={series} measure={measure} by={by} />
    </div>
  );
}

/** The rows of a bar. */
function TasksOfBar({ text }: { text: string }) {
  return <GatherList answer={useAnswer(text, null)} groupHeading="h4" name={text} />;
}

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
