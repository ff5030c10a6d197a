import { memo } from 'react';
import { weekdayOf } from '../../core/calendar/day';
import { durationName } from '../../core/calendar/duration';
import { timeName } from '../../core/calendar/span';
import { Link } from 'react-router';
import { noteAddress } from '../session/addresses';
import { useNow } from '../session/services';
import { useAppSelector } from '../session/state';

/** The bottom line: what is open today and its hours, what comes then, whether everything is saved. */
export const Strip = memo(function Strip() {
  const overview = useAppSelector((state) => state.library.overview);
  const failure = useAppSelector((state) => state.library.failure);
  const progress = useAppSelector((state) => state.library.progress);
  const save = useAppSelector((state) => state.frame.save);
  const hours = useAppSelector((state) => state.settings.workingHours);
  const { day: today, minute } = useNow();
  const open = overview?.agendaCounts['Agenda/Today.md'] ?? 0;
  const minutes = overview?.days[today]?.minutes ?? 0;
  const available = (hours[weekdayOf(today) - 1] ?? 0) * 60;
  const selected = useAppSelector((state) => state.frame.cursor?.words ?? 0);
  const next = overview?.timed.find((task) => task.minute > minute);
  return (
    <footer className="no-print flex min-h-[28px] flex-none items-center justify-between gap-6 px-3.5 text-[0.83rem] text-muted">
      <p className="flex min-w-0 gap-5">
        <span className="whitespace-nowrap">
          {open} open today · {durationName(minutes)} of {durationName(available)}
        </span>
        {next && (
          <span className="min-w-0 truncate">
            then {timeName(next.minute)}{' '}
            <Link to={noteAddress(next.path, next.line)} className="font-semibold text-ink hover:underline">
              {next.text}
            </Link>
          </span>
        )}
      </p>
      <p className="flex gap-5 whitespace-nowrap">
        {selected > 0 && <span>{selected === 1 ? '1 word' : `${selected.toLocaleString('en')} words`} selected</span>}
        <span role="status" data-testid="save-state" className={save.is === 'failed' ? 'font-semibold text-late' : ''}>
          {save.is === 'saved' ? 'Saved' : save.is === 'saving' ? 'Saving…' : save.message}
        </span>
        <span className="max-sm:hidden">
          {failure ?? (overview ? `${overview.lines.toLocaleString('en')} lines indexed` : `reading ${progress.read} of ${progress.all}`)}
        </span>
      </p>
    </footer>
  );
});
