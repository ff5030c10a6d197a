import { useState } from 'react';
import { durationName } from '../../../core/calendar/duration';
import type { AnswerView } from '../../../core/index/live/view';
import { TasksOfKey } from '../chart/TasksOfKey';

/** A gather summed up by a key: how many are open, done and cancelled, how far that is, and the time that is left. */
export function GatherSummary({ answer }: { answer: AnswerView }) {
  const by = answer.form?.is === 'summary' ? answer.form.by : 'note';
  const [chosen, setChosen] = useState<number | null>(null);
  const group = answer.groups.find(({ id }) => id === chosen);
  return (
    <div className="relative overflow-x-auto">
      <table className="w-full border-collapse text-[0.93rem]">
        <thead>
          <tr className="border-b border-edge text-muted">
            <th scope="col" className="py-1 pe-3 text-start font-semibold">
              {by}
            </th>
            {['open', 'done', 'cancelled', 'time left'].map((words) => (
              <th key={words} scope="col" className="py-1 pe-3 text-end font-semibold">
                {words}
              </th>
            ))}
            <th scope="col" className="w-[30%] py-1 text-start font-semibold">
              progress
            </th>
          </tr>
        </thead>
        <tbody>
          {answer.groups.map((one) => (
            <SummaryRow
              key={one.id}
              label={one.label}
              totals={one.totals}
              chosen={one.id === chosen}
              onChoose={() => setChosen(one.id === chosen ? null : one.id)}
            />
          ))}
        </tbody>
        {answer.groups.length > 1 && (
          <tfoot className="font-semibold">
            <SummaryRow label="All" totals={answer.totals} />
          </tfoot>
        )}
      </table>
      {group && <TasksOfKey label={`Tasks of ${group.label}`} by={by} value={group} />}
    </div>
  );
}

interface SummaryRowProps {
  label: string;
  totals: AnswerView['totals'];
  /** Whether its tasks are shown below; of the sum of all there is nothing to choose. */
  chosen?: boolean;
  onChoose?: () => void;
}

function SummaryRow({ label, totals, chosen = false, onChoose }: SummaryRowProps) {
  const percent = totals.progress === null ? null : Math.round(100 * totals.progress);
  return (
    <tr className="border-b border-line">
      <th scope="row" className="py-1 pe-3 text-start font-normal [overflow-wrap:anywhere]">
        {onChoose ? (
          <button type="button" aria-expanded={chosen} className="min-h-[25px] text-start hover:underline" onClick={onChoose}>
            {label}
          </button>
        ) : (
          label
        )}
      </th>
      {[totals.open, totals.done, totals.cancelled].map((count, index) => (
        <td key={index} className="py-1 pe-3 text-end tabular-nums">
          {count || <span className="text-muted">–</span>}
        </td>
      ))}
      <td className="py-1 pe-3 text-end tabular-nums">
        {totals.takes === 0 ? <span className="text-muted">–</span> : durationName(totals.takes)}
      </td>
      <td className="py-1">
        {percent === null ? (
          <span className="text-muted">nothing to finish</span>
        ) : (
          <span className="flex items-center gap-2">
            <span className="block h-[7px] flex-1 border border-kept" aria-hidden="true">
              <span className="block h-full bg-kept" style={{ width: `${percent}%` }} />
            </span>
            <span className="w-10 text-end tabular-nums">{percent}%</span>
          </span>
        )}
      </td>
    </tr>
  );
}
