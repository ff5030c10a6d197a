import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Day } from '../../../core/calendar/day';
import type { Gather } from '../../../core/gather/language/ast';
import { demandsOf } from '../../../core/gather/writing/demands';
import { proposalFor, writtenTask } from '../../../core/gather/writing/written-task';
import { readTail } from '../../../core/task/line/tail';
import { chipsOf } from '../../../ui/marks/chip-look';
import { readFrame } from '../../../core/note/facts/note-frame';
import { takeKeys } from '../../../ui/input/early-keys';
import { statusName } from '../../../core/task/line/added-status';
import { AT_END, type LinePlace } from '../../../core/task/writing/write-lines';
import { actionContext } from '../../session/acting/action-context';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAddedStatuses } from '../../session/state/use-statuses';
import { useMakeMeeting } from '../../meeting/making/use-make-meeting';
import { useContextAt } from '../use-context-at';
import { useLandTask, useLanding } from '../../session/acting/use-land-task';
import { readLanding } from '../../../core/slip/landing';

interface NewTaskFieldProps {
  gather: Gather;
  /** The note that holds the gather. */
  at: string | null;
  /** The text of the gather as its note has it. */
  written: string;
  /** The day on which it is written, where it can become a meeting too. */
  day?: Day | undefined;
  onClose: () => void;
}

/** The field in which a task is written into a list: it gets what the list demands, and stands where the field says. */
export function NewTaskField({ gather, at, written, day, onClose }: NewTaskFieldProps) {
  const context = useContextAt(at);
  const place = useLanding(
    useMemo(() => demandsOf(gather, context).place, [gather, context]),
    at,
  );
  const { store } = useServices();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const [words, setWords] = useState('');
  const form = useRef<HTMLFormElement>(null);
  // What was typed before the field was there, in it before the next letter comes; with Enter it is written down at once.
  useLayoutEffect(() => {
    const early = takeKeys();
    if (early.typed === '') return;
    setWords(early.typed);
    if (early.entered) setTimeout(() => form.current?.requestSubmit());
  }, []);
  const [target, setTarget] = useState(place);
  const land = useLandTask(at);
  const added = useAddedStatuses();
  const settings = useAppSelector((state) => state.settings);
  const now = useNow();
  const path = readLanding(place)?.note ?? '';
  const acting = useMemo(() => actionContext(settings, now, added), [settings, now, added]);
  const demands = useMemo(() => proposalFor(gather, context, acting, path), [gather, context, acting, path]);
  const task = useMemo(() => writtenTask(words, gather, context, acting, demands, path), [words, gather, context, acting, demands, path]);
  const say = (clause: string): string => {
    const look = { today: now.day, style: settings.dateStyle, workingDay: settings.workingDay, open: true, restsUntil: null };
    const [chip] = chipsOf(readTail(`x {${clause}}`, 0), look, 'note');
    return chip ? `${chip.word} ${chip.value}`.trim() : clause;
  };
  const gets = [
    ...demands.names,
    ...demands.clauses,
    ...(demands.status === 'todo' ? [] : [statusName(demands.status, demands.sign, context.statuses)]),
  ];
  const writeDown = async (): Promise<void> => {
    if (await land(target, task.line, () => behindBlock(store, at ?? '', written))) setWords('');
  };
  const makeMeeting = useMakeMeeting();
  const meet = async (on: Day): Promise<void> => {
    const { meetingOfWords } = await import('../../meeting/making/meeting-from');
    if ((await makeMeeting(meetingOfWords(words, on))) !== null) setWords('');
  };
  return (
    <form
      ref={form}
      className="no-print mt-1 grid gap-1 rounded-md border border-line bg-sheet p-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim() !== '') void writeDown();
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape') onClose();
        if (event.key === 'Enter' && event.shiftKey && day !== undefined && words.trim() !== '') {
          event.preventDefault();
          void meet(day);
        }
      }}
    >
      <input
        autoFocus
        className="field w-full"
        aria-label="Words of the new task"
        placeholder="Ask Lars about the crate fri #phone"
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <p className="text-[0.84rem] text-muted" role="status">
        {demands.late && 'Nobody writes tasks that are late already, so this one stands in Today. '}
        {gets.length > 0 ? (
          <>
            It gets <strong className="font-semibold text-ink">{gets.map(say).join(', ')}</strong>.{' '}
          </>
        ) : (
          'It gets nothing but its words. '
        )}
        {task.read.length > 0 && (
          <>
            Read from its words: <strong className="font-semibold text-ink">{task.read.map(say).join(', ')}</strong>.{' '}
          </>
        )}
        {demands.choices.length > 0
          ? `Say yourself: ${demands.choices.join('; ')}. `
          : words.trim() !== '' && !task.stands && 'With these words it will not stand in this list. '}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <label className="grid flex-1 gap-0.5 text-[0.84rem] text-muted">
          Written into
          <input
            className="field"
            value={target}
            list="note-names"
            onChange={(event) => setTarget(event.target.value)}
            aria-label="Note, and heading behind #"
          />
        </label>
        <datalist id="note-names">
          {notes?.slice(0, 300).map((note) => (
            <option key={note.path} value={note.path}>
              {note.title}
            </option>
          ))}
        </datalist>
        <button type="submit" className="solid-button" disabled={words.trim() === ''}>
          Write it
        </button>
        {day !== undefined && (
          <button
            type="button"
            className="line-button"
            title="Shift+Enter; the words may begin with its times, as in 11:30-12:15 Call with @teo"
            disabled={words.trim() === ''}
            onClick={() => void meet(day)}
          >
            Make it a meeting
          </button>
        )}
        <button type="button" className="quiet-button" onClick={onClose}>
          Close
        </button>
      </div>
    </form>
  );
}

/** Behind the block that holds a gather, so that the task stands where it was written. */
async function behindBlock(store: { text: (path: string) => Promise<string | null> }, path: string, written: string): Promise<LinePlace> {
  const text = await store.text(path);
  const block = text === null ? undefined : readFrame(text).gathers.find((one) => one.text === written);
  return block ? { behind: block.lastLine } : AT_END;
}
