import { useMemo } from 'react';
import { Link } from 'react-router';
import { type Day, isoDay } from '../../../core/calendar/day';
import { timeName } from '../../../core/calendar/span';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { foldName } from '../../../core/note/names/names';
import { isOpen } from '../../../core/task/line/status';
import { readableTitle } from '../../note/links/readable-title';
import { dialogTask } from '../../session/acting/task-dialog';
import { counted, useAct } from '../../session/acting/use-act';
import { noteAddress } from '../../session/places/addresses';
import { useAsked } from '../../session/asked/use-asked';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { LineField } from '../../../ui/form/LineField';
import { useChangeDay } from '../use-change-day';

interface EveningProps {
  day: Day;
  items: readonly PlanItem[];
}

/** What ends a day: routine lines whose time is past, what is left, a word on the day, and what was written in it. */
export function Evening({ day, items }: EveningProps) {
  const { actions } = useServices();
  const { actAll } = useAct();
  const change = useChangeDay(day);
  const { day: today, minute } = useNow();
  const { routineHeading, slipHeading } = useAppSelector((state) => state.settings);
  const excused = useAppSelector((state) => state.library.overview?.days[day]?.excused ?? null);
  const rows = useMemo(() => items.flatMap(({ row }) => (row && isOpen(row.status) ? [row] : [])), [items]);
  const past = items.flatMap(({ row, start }) =>
    row && isOpen(row.status) && start !== null && start < minute && isRoutine(row.headings, routineHeading) ? [row] : [],
  );
  const write = (word: string): void =>
    void change(
      (path, made) =>
        actions.writeLines(path, { heading: slipHeading, side: 'last' }, [`- ${timeName(minute)} ${word}`], `A word: ${word}`, made),
      'Written into the log of the day',
    );
  const excuse = (): void => {
    const words = excused === null ? 'The day counts in no share' : 'The day counts again';
    void change((path, made) => actions.setFields(path, { excused: excused === null ? 'true' : null }, words, made), words);
  };
  return (
    <section aria-label="The end of the day" className="no-print mt-5 ms-[3.6rem] grid gap-2 border-t border-line pt-3 text-[0.92rem]">
      <p className="flex flex-wrap items-center gap-2">
        {day === today && past.length > 0 && (
          <button
            type="button"
            className="line-button"
            onClick={() => void actAll(past.map(dialogTask), [{ do: 'status', status: 'done' }])}
          >
            Tick {counted(past.length, 'routine line')} whose time is past
          </button>
        )}
        {rows.length > 0 && day >= today && (
          <button
            type="button"
            className="line-button"
            onClick={() => void actAll(rows.map(dialogTask), [{ do: 'carry', to: isoDay(day + 1), repeats: 'skip' }])}
          >
            Carry {rows.length === 1 ? 'what is left' : `the ${rows.length} that are left`} to the next day
          </button>
        )}
        <button type="button" className="quiet-button" onClick={excuse}>
          {excused === null ? 'Excuse the day' : 'Let the day count again'}
        </button>
      </p>
      {day === today && <LineField label="A word on the day" onWrite={write} />}
      <Written day={day} />
    </section>
  );
}

const isRoutine = (headings: readonly string[], routine: string): boolean =>
  headings.some((heading) => foldName(heading) === foldName(routine));

/** The notes written in on the day, for a second reading; each opens at its first new line. */
function Written({ day }: { day: Day }) {
  const found = useAsked('writtenOn', { day });
  if (!found || found.length === 0) return null;
  return (
    <details>
      <summary className="min-h-[26px] cursor-pointer text-muted">Written in that day: {counted(found.length, 'note')}</summary>
      <ul className="ps-4">
        {found.map(({ path, title, line, count }) => (
          <li key={path} className="flex items-baseline gap-2">
            <Link className="name-link inline-flex min-h-[25px] items-center" to={noteAddress(path, line)}>
              {readableTitle(title)}
            </Link>
            <span className="text-[0.86rem] text-muted">{counted(count, 'line')}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}
