import { durationName } from '../../../core/calendar/duration';
import type { AnswerView } from '../../../core/index/live/view';

/** A gather summed up by a key: how many are open, done and cancelled, how far that is, and the time that is left. */
export function GatherSummary({ answer }: { answer: AnswerView }) {
  const by = answer.form?.is === 'summary' ? answer.form.by : '';
  return (
    <div className="overflow-x-auto">
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
          {answer.groups.map((group) => (
            <SummaryRow key={group.id} label={group.label} totals={group.totals} />
          ))}
        </tbody>
        {answer.groups.length > 1 && (
          <tfoot className="font-semibold">
            <SummaryRow label="All" totals={answer.totals} />
          </tfoot>
        )}
      </table>
    </div>
  );
}

function SummaryRow({ label, totals }: { label: string; totals: AnswerView['totals'] }) {
  const percent = totals.progress === null ? null : Math.round(100 * totals.progress);
  return (
    <tr className="border-b border-line">
      <th scope="row" className="py-1 pe-3 text-start font-normal [overflow-wrap:anywhere]">
        {label}
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
