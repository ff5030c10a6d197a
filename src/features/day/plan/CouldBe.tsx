import { type KeyboardEvent, useId, useMemo, useState } from 'react';
import type { Day } from '../../../core/calendar/day';
import { type Narrowing } from '../../../core/gather/answer/narrow';
import type { AnswerView, RowView } from '../../../core/index/live/view';
import { readFrame } from '../../../core/note/facts/note-frame';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { NarrowBar } from '../../pages/agenda/NarrowBar';
import { rowIdAt } from '../../gather/rows/list-focus';
import { useStoredNote } from '../../note/use-stored-note';
import { agendaPages } from '../../frame/rack/folder-tree';
import { dialogTask } from '../../session/acting/task-dialog';
import { useParameter } from '../../session/places/routes';
import { useListAnswers } from '../../session/asked/use-answer';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { couldBe } from './could-be';
import type { Choosing } from './use-choosing';
import { useSides } from '../../pages/agenda/use-sides';

/** What could be in a day: what calls for it, or the lists of any agenda page; an arrow puts a task into the day. */
export function CouldBe({ day, choosing }: { day: Day; choosing: Choosing }) {
  const { day: today } = useNow();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const pages = useMemo(() => agendaPages(notes ?? []), [notes]);
  const [from, setFrom] = useState('');
  const only = useParameter('only');
  const [typed, setTyped] = useState<Omit<Narrowing, 'only'>>({ typed: '', chosen: [], resting: false });
  const sides = useSides();
  const narrowing = useMemo(() => ({ ...typed, only, sides }), [typed, only, sides]);
  const stored = useStoredNote(from);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : null;
  const gathers = useMemo(() => {
    if (from === '') return couldBe(day, today);
    return text === null ? [] : readFrame(text).gathers.map((gather) => gather.text);
  }, [from, text, day, today]);
  const lists = useId();
  const answers = useListAnswers(lists, 0, gathers.length);
  const shown = useMemo(() => answers.filter((answer) => answer !== undefined), [answers]);
  const selection = useAppSelector((state) => state.selection);
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key !== 'ArrowLeft' || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return;
    if (!(event.target instanceof HTMLElement) || !event.target.matches('.task-mark')) return;
    const row = rowOf(shown, rowIdAt(event.target) ?? '');
    if (!row) return;
    event.preventDefault();
    event.stopPropagation();
    choosing.choose((selection[row.id] ? Object.values(selection) : [row]).map(dialogTask));
  };
  return (
    <section aria-label="Could be in the day" className="no-print" onKeyDownCapture={onKeyDown}>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-3">
        <h2 className="font-title text-[1.17rem] font-semibold">{day === today ? 'Could be today' : 'Could be that day'}</h2>
        <label className="text-[0.86rem] text-muted">
          from{' '}
          <select className="field min-h-[28px] py-0" value={from} onChange={(event) => setFrom(event.target.value)}>
            <option value="">what calls for it</option>
            {pages.map(({ path, title }) => (
              <option key={path} value={path}>
                {title}
              </option>
            ))}
          </select>
        </label>
      </div>
      <NarrowBar narrowing={narrowing} onChange={setTyped} answers={shown} />
      <p className="mb-2 text-[0.84rem] text-muted">← on a task puts it into the day, → takes it out. Alt with ↑ or ↓ changes the order.</p>
      <AgendaLists path={from} gathers={gathers} look="page" narrowing={narrowing} titled lists={lists} />
    </section>
  );
}

function rowOf(answers: readonly AnswerView[], id: string): RowView | null {
  const find = (rows: readonly RowView[]): RowView | null => {
    for (const row of rows) {
      const found = row.id === id ? row : find(row.steps);
      if (found) return found;
    }
    return null;
  };
  for (const { groups } of answers)
    for (const { rows } of groups) {
      const found = find(rows);
      if (found) return found;
    }
  return null;
}
