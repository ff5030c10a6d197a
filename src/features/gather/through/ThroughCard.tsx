import { Link } from 'react-router';
import type { TaskClosely } from '../../../core/index/questions/of-a-task/task-closely';
import { isOpen } from '../../../core/task/line/status';
import { InlineText } from '../../../ui/InlineText';
import { MarkPicture } from '../../../ui/marks/MarkPicture';
import { RowChips } from '../rows/RowChips';
import { RewordField } from '../rows/RewordField';
import { markOf } from '../rows/row-columns';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAddedStatus } from '../../session/state/use-statuses';
import type { Decision } from './decisions';
import type { Through } from './use-through';

interface ThroughCardProps {
  through: Through;
  decisions: readonly Decision[];
  rewording: boolean;
  onRewording: (is: boolean) => void;
  onChoose: (decision: Decision) => void;
}

/** The task that lies before one, with what stands around it, and what can be decided. */
export function ThroughCard({ through, decisions, rewording, onRewording, onChoose }: ThroughCardProps) {
  const { task, at, outcomes } = through;
  const before = outcomes[at];
  return (
    <>
      <section aria-label="Task" className="mb-3 min-h-32">
        {task === undefined ? null : task === null ? (
          <p className="text-muted">
            {before === undefined
              ? 'This task is not there as it was any more: it was changed, moved or deleted elsewhere.'
              : `You decided about it: ${before}.`}
          </p>
        ) : (
          <TaskShown through={through} rewording={rewording} onRewording={onRewording} />
        )}
      </section>
      <div role="group" aria-label="Decide" className="mb-3 flex flex-wrap gap-2">
        {decisions.map((decision) => (
          <button
            key={decision.id}
            type="button"
            className="line-button min-h-10"
            disabled={!task}
            aria-keyshortcuts={decision.key}
            onClick={() => onChoose(decision)}
          >
            {decision.label}
            <kbd className="ms-1.5 hidden font-mono text-[0.79rem] text-muted sm:inline">{decision.key}</kbd>
          </button>
        ))}
      </div>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="line-button min-h-10" disabled={at === 0} onClick={() => through.to(at - 1)}>
          Back
        </button>
        <button type="button" className="solid-button min-h-10" onClick={() => through.to(at + 1)}>
          Next
        </button>
        <button type="button" className="line-button min-h-10" onClick={through.undo}>
          Undo
        </button>
      </div>
      {/* Below the buttons, which so keep their places. */}
      {task && <Around task={task} />}
    </>
  );
}

function TaskShown({ through, rewording, onRewording }: Pick<ThroughCardProps, 'through' | 'rewording' | 'onRewording'>) {
  const { task } = through;
  const { day: today } = useNow();
  const added = useAddedStatus(task?.row.sign);
  if (!task) return null;
  const { row, moved, touched } = task;
  return (
    <>
      <div className="mb-2 flex items-start gap-2.5 text-[1.24rem]">
        <MarkPicture look={markOf(row, added)} />
        {rewording ? (
          <RewordField text={row.text} onStore={through.reword} onClose={() => onRewording(false)} />
        ) : (
          <p className={isOpen(row.status) ? '' : 'closed-text'}>
            {row.text === '' ? <em className="text-muted">no words</em> : <InlineText text={row.text} leads />}
          </p>
        )}
      </div>
      <div className="mb-3 ms-8.5">
        <RowChips row={row} columns={null} />
      </div>
      <p className="mb-2 text-[0.93rem] text-muted">
        <Link className="name-link" to={noteAddress(row.path, row.line)}>
          {[row.noteTitle, ...row.headings].join(' › ')}
        </Link>
        {factsOf(row.made === null ? null : today - row.made, moved, touched === null ? null : today - touched)}
      </p>
    </>
  );
}

/** The lines of its note around it, from the margin. */
function Around({ task: { row, around } }: { task: TaskClosely }) {
  const margin = Math.min(...around.filter(({ text }) => text.trim() !== '').map(({ text }) => text.length - text.trimStart().length));
  return (
    <pre aria-label="Lines around it" className="mt-5 rounded-lg bg-raised px-3 py-2 font-mono text-[0.86rem] whitespace-pre-wrap">
      {around.map(({ line, text }) => (
        <span key={line} className={`block ${line === row.line ? 'font-semibold' : 'text-muted'}`}>
          {text.slice(margin) || ' '}
        </span>
      ))}
    </pre>
  );
}

/** How old it is, how often it was moved on, and for how long nobody touched it. */
function factsOf(age: number | null, moved: number, untouched: number | null): string {
  const days = (count: number): string => (count === 1 ? '1 day' : `${count} days`);
  const facts = [
    ...(age === null ? [] : [age === 0 ? 'made today' : `made ${days(age)} ago`]),
    ...(moved === 0 ? [] : [moved === 1 ? 'moved on once' : `moved on ${moved} times`]),
    ...(untouched === null || untouched < 2 || untouched === age ? [] : [`untouched for ${days(untouched)}`]),
  ];
  return facts.length === 0 ? '' : ` · ${facts.join(' · ')}`;
}
