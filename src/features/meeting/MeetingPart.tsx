import { X } from 'lucide-react';
import { useId, useState } from 'react';
import { isoDay } from '../../core/calendar/day';
import { readRepeat } from '../../core/calendar/repeat/repeat-phrase';
import { readSpokenDates } from '../../core/calendar/spoken/spoken-date';
import { type MeetingFacts, timesName } from '../../core/meeting/meeting-facts';
import { foldName } from '../../core/note/names/names';
import { MonthGrid } from '../../ui/form/MonthGrid';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { type MeetingField, type OwnPart, fieldsOf, ownKeyOf, readTimes } from './meeting-fields';
import type { MeetingActs } from './use-meeting-acts';
import { useSaidOfMeetings } from './use-meetings';

interface MeetingPartProps {
  field: MeetingField;
  facts: MeetingFacts;
  /** What its keys of one's own say. */
  own: Readonly<Record<string, string>>;
  acts: MeetingActs;
  onClose: () => void;
}

const LABELS: Record<Exclude<MeetingField, 'people' | 'about' | 'date' | OwnPart>, string> = {
  form: 'What it is: a call, a visit, a weekly round',
  time: 'From when to when, such as 11:30–12:15',
  series: 'The series it belongs to',
  every: 'When the series comes again, such as every mon',
};

/** One part of the sentence of a meeting, typed into: Enter stores it, Escape leaves it as it was. */
export function MeetingPart({ field, facts, own, acts, onClose }: MeetingPartProps) {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const people = useAppSelector((state) => state.library.overview?.people);
  switch (field) {
    case 'date':
      return <DatePart facts={facts} acts={acts} onClose={onClose} />;
    case 'people':
      return (
        <ListPart
          label="Who is there"
          values={facts.people}
          known={(people ?? []).map(({ name }) => name)}
          clean={(typed) => typed.trim().replace(/^@/, '').replace(/\s+/g, '.')}
          onChange={(next, added) => {
            // Who is not known yet is made on the spot.
            if (added !== null && !people?.some(({ name, path }) => path !== null && foldName(name) === foldName(added)))
              void acts.makePerson(added);
            void acts.store(fieldsOf.people(next), { people: next });
          }}
        />
      );
    case 'about':
      return (
        <ListPart
          label="What it is about: projects and other notes"
          values={facts.about}
          known={(notes ?? []).filter(({ kind }) => kind === 'project' || kind === 'goal' || kind === 'note').map(({ title }) => title)}
          clean={(typed) => typed.trim().replace(/^\[\[|\]\]$/g, '')}
          onChange={(next) => void acts.store(fieldsOf.about(next), { about: next })}
        />
      );
    default:
      return <WordsPart field={field} facts={facts} own={own} acts={acts} onClose={onClose} />;
  }
}

type WordsField = 'form' | 'time' | 'series' | 'every' | OwnPart;

function presentWords(field: WordsField, facts: MeetingFacts, own: MeetingPartProps['own']): string {
  if (field === 'form' || field === 'series' || field === 'every') return facts[field] ?? '';
  return field === 'time' ? timesName(facts) : (own[ownKeyOf(field) ?? ''] ?? '');
}

function WordsPart({ field, facts, own, acts, onClose }: MeetingPartProps & { field: WordsField }) {
  const present = presentWords(field, facts, own);
  const [typed, setTyped] = useState(present);
  const id = useId();
  const times = field === 'time' ? readTimes(typed) : null;
  const wrong =
    field === 'time'
      ? times === null && 'This is no time yet, such as 11:30–12:15.'
      : field === 'every' && typed.trim() !== '' && readRepeat(typed.trim()) === null && 'This is no rule yet, such as every mon.';
  const store = (): void => {
    const words = typed.trim();
    onClose();
    if (words === present) return;
    if (field === 'time') {
      if (times) void acts.store(fieldsOf.time(times), {});
    } else if (field !== 'form' && field !== 'series' && field !== 'every') {
      void acts.store(fieldsOf.own(ownKeyOf(field) ?? '', words), {});
    } else void acts.store(fieldsOf[field](words || null), { [field]: words || null });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (!wrong) store();
      }}
    >
      <label className="grid gap-0.5 text-[0.86rem] text-muted">
        {ownKeyOf(field) ?? LABELS[field as keyof typeof LABELS]}
        <input
          autoFocus
          list={id}
          className="field max-w-96"
          value={typed}
          aria-invalid={Boolean(wrong)}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      {(field === 'form' || field === 'series') && <Said id={id} field={field} />}
      {wrong && typed !== present && <p className="text-[0.86rem] text-late">{wrong}</p>}
    </form>
  );
}

/** What other meetings say, to be chosen. */
function Said({ id, field }: { id: string; field: 'form' | 'series' }) {
  return (
    <datalist id={id}>
      {useSaidOfMeetings(field).map((one) => (
        <option key={one} value={one} />
      ))}
    </datalist>
  );
}

function DatePart({ facts, acts, onClose }: Pick<MeetingPartProps, 'facts' | 'acts' | 'onClose'>) {
  const now = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  const [typed, setTyped] = useState('');
  const [found] = readSpokenDates(typed, { today: now.day, minute: now.minute, firstDayOfWeek: first, bareDay: 'plan' });
  const choose = (day: number): void => {
    onClose();
    void acts.store(fieldsOf.date(day), { date: day });
  };
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (found) choose(found.day);
      }}
    >
      <label className="grid gap-0.5 text-[0.86rem] text-muted">
        On which day, such as mon or 2026-11-30
        <input autoFocus className="field max-w-96" value={typed} onChange={(event) => setTyped(event.target.value)} />
      </label>
      {typed.trim() !== '' && <p className="text-[0.86rem] text-muted">{found ? isoDay(found.day) : 'No day is understood yet.'}</p>}
      <MonthGrid today={now.day} chosen={facts.date} firstDayOfWeek={first} onChoose={choose} />
    </form>
  );
}

interface ListPartProps {
  label: string;
  values: readonly string[];
  known: readonly string[];
  clean: (typed: string) => string;
  onChange: (next: string[], added: string | null) => void;
}

/** Some names, of which one more is typed and each is taken away. */
function ListPart({ label, values, known, clean, onChange }: ListPartProps) {
  const [typed, setTyped] = useState('');
  const id = useId();
  const add = (): void => {
    const one = clean(typed);
    if (one === '' || values.some((value) => foldName(value) === foldName(one))) return;
    const name = known.find((other) => foldName(other) === foldName(one)) ?? one;
    setTyped('');
    onChange([...values, name], name);
  };
  return (
    <form
      className="grid gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <label className="grid gap-0.5 text-[0.86rem] text-muted">
        {label}
        <input autoFocus list={id} className="field max-w-96" value={typed} onChange={(event) => setTyped(event.target.value)} />
      </label>
      <datalist id={id}>
        {known.slice(0, 500).map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <ul className="flex flex-wrap gap-1.5">
        {values.map((value) => (
          <li key={value} className="flex items-center rounded-md bg-raised ps-2">
            {value}
            <button
              type="button"
              className="quiet-button"
              aria-label={`Take ${value} away`}
              onClick={() =>
                onChange(
                  values.filter((one) => one !== value),
                  null,
                )
              }
            >
              <X size={13} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
    </form>
  );
}
