import { type ReactNode, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { isoDay } from '../../core/calendar/day';
import { dayName } from '../../core/calendar/day-name';
import { act } from '../../core/task/act';
import { PRIORITY_NAMES } from '../../core/task/clause';
import { applyChanges } from '../../core/task/edit';
import { type ReadNote, readNote } from '../../core/task/read-note';
import { STATUSES, STATUS_NAMES } from '../../core/task/status';
import { restsUntil } from '../../core/task/resting';
import type { Task } from '../../core/task/task';
import { Dialog } from '../../ui/Dialog';
import { MonthGrid } from '../../ui/MonthGrid';
import { actionContext } from '../session/action-context';
import { noteAddress } from '../session/addresses';
import { useNow, useServices } from '../session/services';
import { useAppSelector } from '../session/state';
import type { TaskDialog } from '../session/task-dialog';
import { useAct } from '../session/use-act';
import { useReading } from '../session/use-reading';
import { DETAIL_CLAUSES, type DetailClause, type TaskDetails, detailsOf, intentionsFor } from './details';

const LABELS: Record<DetailClause, [label: string, hint: string]> = {
  due: ['Due', 'fri 15:00'],
  plan: ['Plan', 'tomorrow, week 49'],
  start: ['Rests until', '1 dec, 2 days before'],
  every: ['Every', 'mon, thu'],
  until: ['Until', 'end of month'],
  takes: ['Takes', '1h30m'],
  owner: ['Owner', '@kofi, nobody'],
  asked: ['Asked by', '@bea'],
  remind: ['Remind', '1h before, 09:00'],
  needs: ['Needs', 'refs, by comma'],
};
const DATED: ReadonlySet<DetailClause> = new Set(['due', 'plan', 'start', 'until']);

interface DetailsDialogProps {
  asked: Extract<TaskDialog, { is: 'details' }>;
  onClose: () => void;
}

/** Every attribute of one task in a form: Tab goes through it in order, Enter stores, Escape steps back. */
export function DetailsDialog({ asked, onClose }: DetailsDialogProps) {
  const { ref, openSteps } = asked.task;
  const before = detailsOf(ref.expected);
  const [form, setForm] = useState(before);
  const { act: actOn, actAll } = useAct();
  if (!before || !form) return null;
  const set = (change: Partial<TaskDetails>): void => setForm({ ...form, ...change });
  const store = (): void => {
    const intentions = intentionsFor(before, form);
    onClose();
    const [only] = intentions;
    if (intentions.length === 1 && only) void actOn(ref, before.text, only, openSteps);
    else if (intentions.length > 1) void actAll([asked.task], intentions);
  };
  return (
    <Dialog open onClose={onClose} title="Details" side="right">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          store();
        }}
      >
        <label className="grid gap-1">
          <span className="section-label">Words</span>
          <input className="field" autoFocus value={form.text} onChange={(event) => set({ text: event.target.value })} />
        </label>
        <div className="flex gap-3">
          <Pick
            label="Status"
            value={form.status}
            options={STATUSES.map((status) => [status, STATUS_NAMES[status]])}
            onPick={(status) => set({ status })}
          />
          <Pick label="Priority" value={form.priority} options={PRIORITY_NAMES} onPick={(priority) => set({ priority })} />
        </div>
        <div className="grid grid-cols-2 gap-x-3 gap-y-2.5">
          {DETAIL_CLAUSES.map((name) => (
            <ClauseField
              key={name}
              name={name}
              raw={ref.expected}
              value={form.clauses[name]}
              changed={form.clauses[name] !== before.clauses[name]}
              onChange={(value) => set({ clauses: { ...form.clauses, [name]: value } })}
            />
          ))}
        </div>
        <div className="flex gap-2">
          <button type="submit" className="solid-button">
            Store
          </button>
          <button type="button" className="line-button" onClick={onClose}>
            Leave it as it was
          </button>
        </div>
        <About path={ref.path} line={ref.line} onClose={onClose} />
      </form>
    </Dialog>
  );
}

interface PickProps<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
}

function Pick<T extends string>({ label, value, options, onPick }: PickProps<T>) {
  return (
    <label className="grid flex-1 gap-1">
      <span className="section-label">{label}</span>
      <select className="field" value={value} onChange={(event) => onPick(event.target.value as T)}>
        {options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

interface ClauseFieldProps {
  name: DetailClause;
  raw: string;
  value: string;
  changed: boolean;
  onChange: (value: string) => void;
}

/** A clause in words; what was understood is shown below it, and a month for days. */
function ClauseField({ name, raw, value, changed, onChange }: ClauseFieldProps) {
  const now = useNow();
  const settings = useAppSelector((state) => state.settings);
  const [picking, setPicking] = useState(false);
  const [label, hint] = LABELS[name];
  const understood = changed && value.trim() !== '' ? understoodAs(raw, name, value, actionContext(settings, now)) : null;
  return (
    <div className="grid content-start gap-0.5">
      <label className="grid gap-1">
        <span className="section-label">{label}</span>
        <input className="field w-full" value={value} placeholder={hint} onChange={(event) => onChange(event.target.value)} />
      </label>
      {understood && <span className={`text-[0.82rem] ${understood.fine ? 'text-muted' : 'text-late'}`}>{understood.words}</span>}
      {DATED.has(name) && (
        <button
          type="button"
          className="quiet-button justify-self-start text-[0.82rem]"
          aria-expanded={picking}
          onClick={() => setPicking(!picking)}
        >
          {picking ? 'Close the month' : 'Pick a day'}
        </button>
      )}
      {picking && (
        <div className="col-span-2">
          <MonthGrid
            today={now.day}
            chosen={null}
            firstDayOfWeek={settings.firstDayOfWeek}
            onChoose={(day) => {
              onChange(isoDay(day));
              setPicking(false);
            }}
          />
        </div>
      )}
    </div>
  );
}

/** The clause as it would be stored, or why it cannot be. */
function understoodAs(
  raw: string,
  name: DetailClause,
  value: string,
  context: Parameters<typeof act>[3],
): { words: string; fine: boolean } {
  const line = raw.trimStart();
  const typed = (name === 'owner' || name === 'asked') && !/^@|^nobody$|^me$/.test(value.trim()) ? `@${value.trim()}` : value;
  const outcome = act(line, { line: 0, expected: line }, { do: 'set', clause: `${name} ${typed}` }, context);
  if ('refused' in outcome) return { words: outcome.refused.replace(/,? so nothing was changed\.$/, '.'), fine: false };
  return { words: detailsOf(applyChanges(line, outcome.changes).split('\n')[0] ?? '')?.clauses[name] ?? '', fine: true };
}

/** What the task inherits, where it stands, until when it rests, and what is wrong with it. */
function About({ path, line, onClose }: { path: string; line: number; onClose: () => void }) {
  const { store, engine } = useServices();
  const { day: today } = useNow();
  const reading = useReading();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const [found, setFound] = useState<{ note: ReadNote; task: Task; problems: string[] } | null>(null);
  useEffect(() => {
    let current = true;
    void Promise.all([store.text(path), engine.refProblems(path)]).then(([text, refs]) => {
      const note = text === null ? null : readNote(path, text, reading);
      const task = note?.tasks.findLast((one) => one.line === line);
      if (!current || !note || !task) return;
      const others = refs.find((one) => one.line === line)?.problems ?? [];
      setFound({ note, task, problems: [...task.problems, ...others].map((problem) => problem.message) });
    });
    return () => {
      current = false;
    };
  }, [store, engine, path, line, reading]);
  if (!found) return null;
  const { note, task, problems } = found;
  const rests = restsUntil(note.tasks, 0)[note.tasks.indexOf(task)] ?? null;
  const parent = note.tasks[task.parent];
  const inherited = [
    ...task.inheritedTags.map((tag) => `#${tag}`),
    ...task.inheritedPeople.map((person) => `@${person}`),
    ...task.inheritedLinks.map((link) => `[[${link}]]`),
  ];
  const rows: [string, ReactNode][] = [
    [
      'Stands in',
      <Link key="place" className="name-link" to={noteAddress(path, line)} onClick={onClose}>
        {[note.title, ...task.headings].join(' › ')}
      </Link>,
    ],
    ['A step of', parent?.text],
    ['Inherits', inherited.join(' ')],
    ['Rests', rests !== null && rests > today ? `until ${dayName(rests, today, style)}` : null],
    ['Made', task.made ? dayName(task.made.from, today, style) : note.journal === null ? null : dayName(note.journal, today, style)],
    ['Moved away from', task.pushed.map((day) => dayName(day, today, style)).join(', ')],
    ['Done', task.done ? dayName(task.done.from, today, style) : null],
  ];
  return (
    <section className="border-t border-line pt-3 text-[0.9rem]" aria-label="About this task">
      <dl className="grid grid-cols-[7rem_1fr] gap-y-1">
        {rows.map(([label, value]) =>
          value === null || value === undefined || value === '' ? null : (
            <div key={label} className="contents">
              <dt className="text-muted">{label}</dt>
              <dd className="[overflow-wrap:anywhere]">{value}</dd>
            </div>
          ),
        )}
      </dl>
      {problems.map((problem) => (
        <p key={problem} className="mt-1 text-late">
          {problem}
        </p>
      ))}
    </section>
  );
}
