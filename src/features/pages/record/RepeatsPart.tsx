import { Link } from 'react-router';
import { dayName } from '../../../core/calendar/day-name';
import type { RecordedRepeat } from '../../../core/index/questions/past/record';
import type { Occurrence } from '../../../core/review/repeat-record';
import { InlineText } from '../../../ui/InlineText';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';
import { ShareBar } from './Share';

const WEEKS = 8;
/** So many occurrences are drawn of one that comes every day. */
const MOST = 28;

/** What comes again: each repeat with the strip of its last weeks, and its share. */
export function RepeatsPart() {
  const { day: today } = useNow();
  const repeats = useAsked('repeatsRecord', { from: today - 7 * WEEKS + 1, to: today });
  if (repeats === undefined) return <p className="mb-6 text-muted">Looking…</p>;
  if (repeats.length === 0)
    return <p className="mb-6 text-muted">Nothing comes again yet: a task with “every”, as in “every weekday”, has its record here.</p>;
  return (
    <ul aria-label="What comes again" className="mb-6">
      {repeats.map((one) => (
        <Repeat key={`${one.path}:${one.line}`} repeat={one} />
      ))}
    </ul>
  );
}

function Repeat({ repeat: { path, line, text, every, noteTitle, occurrences, planned, kept, times } }: { repeat: RecordedRepeat }) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5">
      <span className="min-w-56 flex-1">
        <Link className="hover:underline" to={noteAddress(path, line)}>
          <InlineText text={text} />
        </Link>
        <span className="block text-[0.8rem] text-muted">
          {every} · {noteTitle}
        </span>
      </span>
      {planned === 0 ? (
        <span className="text-[0.93rem] text-muted">{times === null ? 'not due yet' : `done ${times} times`}</span>
      ) : (
        <>
          <Strip occurrences={occurrences} />
          <span className="text-[0.93rem]">
            <ShareBar share={{ planned, kept }} width={60} />
          </span>
        </>
      )}
    </li>
  );
}

const WORDS: Record<Occurrence['is'], string> = { kept: 'kept', later: 'done later', missed: 'not done', 'to come': 'to come' };

/** Its occurrences as small fields: filled where kept, half filled where done later, an outline where not done. */
function Strip({ occurrences }: { occurrences: readonly Occurrence[] }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const past = occurrences.filter(({ is }) => is !== 'to come').slice(-MOST);
  return (
    <span role="list" aria-label="Its last occurrences" className="flex gap-[3px]">
      {past.map(({ day, is }) => {
        const said = `${dayName(day, today, style)}: ${WORDS[is]}`;
        return (
          <span
            key={day}
            role="listitem"
            aria-label={said}
            title={said}
            className="relative inline-block h-4 w-2.5 overflow-hidden rounded-[2px] border border-kept"
          >
            {is !== 'missed' && <span className={`absolute inset-x-0 bottom-0 bg-kept ${is === 'kept' ? 'h-full' : 'h-1/2'}`} />}
          </span>
        );
      })}
    </span>
  );
}
