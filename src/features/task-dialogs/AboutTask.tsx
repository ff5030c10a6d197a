import { type ReactNode, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { dayName } from '../../core/calendar/day-name';
import { type ReadNote, readNote } from '../../core/task/reading/read-note';
import { restsUntil } from '../../core/task/reading/resting';
import type { Task } from '../../core/task/line/task';
import { noteAddress } from '../session/places/addresses';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useReading } from '../session/state/use-reading';

/** What the task inherits, where it stands, until when it rests, and what is wrong with it. */
export function AboutTask({ path, line, onClose }: { path: string; line: number; onClose: () => void }) {
  const { store, engine } = useServices();
  const { day: today } = useNow();
  const reading = useReading();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const [found, setFound] = useState<{ note: ReadNote; task: Task; problems: string[] } | null>(null);
  useEffect(() => {
    let current = true;
    void Promise.all([store.text(path), engine.ask('refProblems', { path })]).then(([text, refs]) => {
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
