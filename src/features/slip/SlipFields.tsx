import { useEffect, useRef } from 'react';
import { landingText } from '../../core/slip/landing';
import { SLIP_FIELDS, type SlipField } from '../../core/slip/slip-line';
import { clauseOf, readTail } from '../../core/task/line/tail';
import { STATUS_NAMES } from '../../core/task/line/status';
import { useAppSelector } from '../session/state/state';
import type { SlipState } from './read-slip';
import type { ShownSlip } from './use-slip-read';
import { useOutsideLists } from '../sharing/outside/use-outside-lists';
import { useAddedStatuses } from '../session/state/use-statuses';
import { Labelled } from '../../ui/form/Labelled';

interface SlipFieldsProps {
  state: SlipState;
  read: ShownSlip;
  /** The field that takes the focus. */
  first: SlipField | 'target' | null;
  onField: (field: SlipField, value: string) => void;
  onTarget: (value: string) => void;
}

const LABELS: Record<SlipField, { label: string; example: string }> = {
  due: { label: 'Due', example: 'fri' },
  plan: { label: 'Plan', example: 'tomorrow 15:00' },
  start: { label: 'Start', example: '1 dec' },
  priority: { label: 'Priority', example: 'normal' },
  status: { label: 'Status', example: 'to do' },
  takes: { label: 'Takes', example: '30m' },
  owner: { label: 'Owner', example: 'yourself' },
  tags: { label: 'Tags', example: '#phone' },
  people: { label: 'People', example: '@ilse' },
  every: { label: 'Every', example: 'mon, fri' },
};

/** A field for each attribute. What is empty is what the words say, which stands in it dimmed. */
export function SlipFields({ state, read, first, onField, onTarget }: SlipFieldsProps) {
  const added = useAddedStatuses();
  const notes = useAppSelector((one) => one.library.overview?.notes);
  const lists = useOutsideLists();
  const fields = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (first !== null) fields.current?.querySelector<HTMLInputElement>(`[data-field="${first}"]`)?.focus();
  }, [first]);
  return (
    <div ref={fields} className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
      <Labelled label="Where to" className="col-span-2 sm:col-span-4">
        <input
          className="field"
          data-field="target"
          list="slip-notes"
          placeholder={landingText(read.landing)}
          value={state.target ?? ''}
          onChange={(event) => onTarget(event.target.value)}
        />
      </Labelled>
      <datalist id="slip-notes">
        {notes
          ?.filter(({ kind }) => kind !== 'agenda')
          .slice(0, 400)
          .map((note) => (
            <option key={note.path} value={note.title} />
          ))}
        {lists?.map(({ name }) => (
          <option key={name} value={`outside ${name}`} />
        ))}
      </datalist>
      {SLIP_FIELDS.map((name) => (
        <Labelled key={name} label={LABELS[name].label} className={name === 'every' ? 'col-span-2' : ''}>
          <input
            className="field min-w-0"
            data-field={name}
            aria-invalid={read.wrong[name] !== undefined}
            placeholder={saidOf(name, read, added) ?? LABELS[name].example}
            value={state.fields[name] ?? ''}
            list={LISTS[name]}
            onChange={(event) => onField(name, event.target.value)}
          />
          {read.wrong[name] !== undefined && <span className="text-[0.83rem] text-late">{read.wrong[name]}.</span>}
        </Labelled>
      ))}
      <Choices />
    </div>
  );
}

/** What the words say of a field. */
function saidOf(name: SlipField, { lines: [first] }: ShownSlip, added: ReturnType<typeof useAddedStatuses>): string | null {
  if (!first) return null;
  const { task, line } = first;
  switch (name) {
    case 'status':
      return added.find(({ sign }) => sign === task.sign)?.name ?? STATUS_NAMES[task.status];
    case 'tags':
      return task.tags.map((tag) => `#${tag}`).join(' ') || null;
    case 'people':
      return task.people.map((person) => `@${person}`).join(' ') || null;
    case 'priority':
      return task.priority;
    default:
      return clauseOf(readTail(line, 2), name)?.value ?? null;
  }
}

const LISTS: Partial<Record<SlipField, string>> = {
  priority: 'slip-priorities',
  status: 'slip-statuses',
  owner: 'slip-people',
  people: 'slip-people',
  tags: 'slip-tags',
};

function Choices() {
  const added = useAddedStatuses();
  const people = useAppSelector((state) => state.library.overview?.people);
  const tags = useAppSelector((state) => state.library.overview?.tags);
  const list = (id: string, values: readonly string[]) => (
    <datalist id={id}>
      {values.map((value) => (
        <option key={value} value={value} />
      ))}
    </datalist>
  );
  return (
    <>
      {list('slip-priorities', ['top', 'high', 'normal', 'low'])}
      {list('slip-statuses', ['To do', 'Under way', 'Waiting', 'Done', ...added.map(({ name }) => name)])}
      {list(
        'slip-people',
        (people ?? []).slice(0, 100).map(({ name }) => `@${name}`),
      )}
      {list(
        'slip-tags',
        (tags ?? []).slice(0, 100).map(({ name }) => `#${name}`),
      )}
    </>
  );
}
