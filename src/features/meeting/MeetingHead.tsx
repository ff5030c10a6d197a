import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { dayName } from '../../core/calendar/day-name';
import { meetingFacts, timesName } from '../../core/meeting/meeting-facts';
import { nextOfSeries } from '../../core/meeting/series';
import { splitLines } from '../../core/note/blocks/lines';
import { type FrontMatter, fieldWords, readFrontMatter } from '../../core/note/facts/front-matter';
import { meetingTemplateFor, ownKeysOf } from '../../core/meeting/meeting-template';
import { FootLine } from '../note/foot/FootLine';
import { noteAddress, seriesAddress } from '../session/places/addresses';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useTemplates } from '../note/templates/use-templates';
import { MeetingPart } from './MeetingPart';
import { NextMeeting } from './NextMeeting';
import type { MeetingField } from './meeting-fields';
import { useMeetingActs } from './use-meeting-acts';
import { useSeries } from './use-meetings';

interface MeetingHeadProps {
  path: string;
  title: string;
  front: FrontMatter;
}

/** What a meeting is, as a sentence whose parts are pressed; and what it leads to. */
export function MeetingHead({ path, title, front }: MeetingHeadProps) {
  const facts = useMemo(() => meetingFacts(front), [front]);
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const atHead = useAppSelector((state) => state.settings.meetingLists === 'head');
  const [asked, setAsked] = useState<MeetingField | 'next' | null>(null);
  const own = useOwnKeys(front, facts.form);
  const series = useSeries(facts.series);
  const acts = useMeetingActs(path, title, facts);
  const { date, start, end, people, about, form } = facts;
  const place = series.findIndex((one) => one.path === path);
  const after = series[place + 1];
  const due = nextOfSeries(series);
  const press = (field: MeetingField, words: string, isSaid = true) => (
    <button
      type="button"
      aria-expanded={asked === field}
      className={`inline rounded-md underline underline-offset-4 hover:bg-raised ${
        isSaid ? 'font-semibold decoration-primary decoration-[1.5px]' : 'text-muted decoration-dotted'
      } ${asked === field ? 'bg-primary-soft px-1' : ''}`}
      onClick={() => setAsked(asked === field ? null : field)}
    >
      {words}
    </button>
  );
  return (
    <section aria-label="The meeting" className="mb-3" onKeyDown={(event) => event.key === 'Escape' && setAsked(null)}>
      <div className="flex flex-wrap items-start justify-between gap-x-4">
        <p className="max-w-[46rem] min-w-0 flex-1 basis-80 [overflow-wrap:anywhere] text-[1.1rem] leading-8">
          {/^[aeiou]/i.test(form ?? '') ? 'An' : 'A'} {press('form', form ?? 'meeting', form !== null)}{' '}
          {date !== null && date >= today - 1 && date <= today + 1 ? '' : 'on '}
          {press('date', date === null ? 'no day yet' : dayName(date, today, style), date !== null)},{' '}
          {press('time', timesName(facts) || 'no time', start !== null)}
          {end !== null && end > 1440 && ' (until the next day)'}, with{' '}
          {press('people', people.length === 0 ? 'nobody yet' : people.map((one) => `@${one}`).join(', '), people.length > 0)}, about{' '}
          {press('about', about.length === 0 ? 'nothing yet' : about.join(', '), about.length > 0)}.{' '}
          {facts.series === null ? (
            <>{press('series', 'in no series', false)}.</>
          ) : (
            <>
              The {ordinal(place + 1)} of {press('series', facts.series)}
              {after ? (
                <>
                  ; the next is{' '}
                  <Link className="name-link" to={noteAddress(after.path)}>
                    {after.facts.date === null ? after.title : dayName(after.facts.date, today, style)}
                  </Link>
                </>
              ) : (
                <>; the next {press('every', due === null ? 'is on no day yet' : `would be ${dayName(due, today, style)}`, due !== null)}</>
              )}
              {'. '}
              <Link className="quiet-button text-[0.9rem]" to={seriesAddress(facts.series)}>
                All {series.length}
              </Link>
            </>
          )}
          {Object.entries(own).map(([key, words]) => (
            <span key={key} className="block text-[0.95rem] leading-7">
              {`${key.charAt(0).toUpperCase()}${key.slice(1)}: `}
              {press(`own ${key}`, words === '' ? 'not said' : words, words !== '')}
            </span>
          ))}
        </p>
        <p className="no-print flex gap-1">
          <button type="button" className="quiet-button" onClick={() => void acts.digest()}>
            Digest
          </button>
          <button
            type="button"
            className="quiet-button"
            aria-expanded={asked === 'next'}
            onClick={() => (due !== null && !after ? void acts.next(due) : setAsked(asked === 'next' ? null : 'next'))}
          >
            Next one
          </button>
        </p>
      </div>
      {facts.problems.map((problem) => (
        <p key={problem} className="text-[0.9rem] text-late">
          {problem}
        </p>
      ))}
      {asked !== null && (
        <div className="my-2 max-w-[46rem] rounded-lg border border-edge bg-sheet p-3 shadow-md" role="group" aria-label="What is changed">
          {asked === 'next' ? (
            <NextMeeting due={due} onNext={(day) => void acts.next(day)} />
          ) : (
            <MeetingPart key={asked} field={asked} facts={facts} own={own} acts={acts} onClose={() => setAsked(null)} />
          )}
        </div>
      )}
      {atHead && <FootLine at={path} kind="meeting" />}
    </section>
  );
}

/** The keys of one's own that a meeting bears, and those that the template of its form has; with what it says. */
function useOwnKeys(front: FrontMatter, form: string | null): Readonly<Record<string, string>> {
  const templates = useTemplates();
  return useMemo(() => {
    const template = form === null ? null : meetingTemplateFor(form, templates ?? []);
    const keys = new Set([...(template ? ownKeysOf(readFrontMatter(splitLines(template.text))) : []), ...ownKeysOf(front)]);
    return Object.fromEntries([...keys].map((key) => [key, fieldWords(front.fields[key]) ?? '']));
  }, [front, form, templates]);
}

/** `1st`, `2nd`, `3rd`, `4th`, `11th`. */
function ordinal(place: number): string {
  const last = place % 100 > 10 && place % 100 < 14 ? 0 : place % 10;
  return `${place}${['th', 'st', 'nd', 'rd'][last] ?? 'th'}`;
}
