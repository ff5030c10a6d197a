import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { Day } from '../../core/calendar/day';
import type { MeetingFacts } from '../../core/meeting/meeting-facts';
import { meetingTitle, nameInTitle } from '../../core/meeting/meeting-title';
import { meetingsOfSeries } from '../../core/meeting/series';
import { foldName } from '../../core/note/names/names';
import { foldPath, isSealedPath } from '../../core/note/names/path';
import { personText } from '../../core/template/name-text';
import { KIND_FOLDERS } from '../note/making/kind-folders';
import { refuse } from '../session/telling/messages';
import { useToldDone } from '../session/acting/use-act';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useLatest } from '../../ui/use-latest';
import { fieldsOf } from './meeting-fields';
import type { withForm } from './making/meeting-note';
import { nameFollows } from './name-follows';
import { useMakeMeeting } from './making/use-make-meeting';

/** What is done to a meeting from its head. */
export interface MeetingActs {
  /** Stores what the meeting says of itself; its title follows as long as it is what form and people gave. */
  store: (fields: Record<string, string | null>, after: Partial<MeetingFacts>) => Promise<void>;
  /** Writes its digest, or renews the one that is there. */
  digest: () => Promise<void>;
  /** Makes the next meeting of its series, and goes there. */
  next: (date: Day) => Promise<void>;
  /** Makes the page of a person who has none. */
  makePerson: (handle: string) => Promise<void>;
}

export function useMeetingActs(path: string, title: string, facts: MeetingFacts): MeetingActs {
  const { actions, store, engine, clock } = useServices();
  const told = useToldDone();
  const navigate = useNavigate();
  const makeMeeting = useMakeMeeting();
  const people = useAppSelector((state) => state.library.overview?.people);
  const heading = useAppSelector((state) => state.settings.digestHeading);
  const latest = useLatest({ told, people, heading, facts, title });
  return useMemo((): MeetingActs => {
    const titleOf = ({ form, people: who }: Pick<MeetingFacts, 'form' | 'people'>): string => {
      const known = latest.current.people ?? [];
      const nameOf = (handle: string): string =>
        nameInTitle(handle, known.find(({ name }) => foldName(name) === foldName(handle))?.fullName ?? null);
      return meetingTitle(form, who.map(nameOf));
    };
    /** Stores another form, with what its template brings; and gives what the meeting then says of itself. */
    const changeForm = async (fields: Record<string, string | null>, forms: Parameters<typeof withForm>[2], label: string) => {
      const { factsIn, withForm: inForm } = await import('./making/meeting-note');
      const templates = await engine.ask('templates', {}).catch(() => []);
      const { facts: before, title: called } = latest.current;
      const { day, minute } = clock.now();
      const values = { day: before.date ?? day, minute, name: called, answers: new Map<string, string>() };
      let made = '';
      const result = await actions.edit(path, label, (text) => ({ text: (made = inForm(text, fields, forms, templates, values)) }));
      return [result, factsIn(made)] as const;
    };
    return {
      store: async (fields, after) => {
        const { facts: before, title: called } = latest.current;
        const wasMade = called === titleOf(before);
        const label = `Meeting changed: ${called}`;
        const [result, now] =
          after.form === undefined
            ? [await actions.setFields(path, fields, label), { ...before, ...after }]
            : await changeForm(fields, { before: before.form, after: after.form }, label);
        if ('refused' in result) return void refuse(result.refused);
        latest.current.told(label, result.step);
        const wanted = wasMade ? titleOf(now) : called;
        const renamed = await nameFollows(actions, path, { called, wanted, date: now.date });
        if (renamed && 'refused' in renamed) refuse(renamed.refused);
      },
      digest: async () => {
        const [{ writtenDigest }, { readNote }] = await Promise.all([
          import('../../core/meeting/digest/written-digest'),
          import('../../core/task/reading/read-note'),
        ]);
        const { facts: now, heading, title: called } = latest.current;
        const others = now.series === null ? [] : meetingsOfSeries(await engine.ask('meetings', { series: now.series }), now.series);
        const series = (await store.many(others.map((one) => one.path))).flatMap((note) =>
          note?.text == null ? [] : [readNote(note.path, note.text)],
        );
        const key = `digest ${foldPath(path)}`;
        const last = ((await store.value(key)) as string | undefined) ?? null;
        let written = '';
        const label = `Digest of ${called}`;
        const result = await actions.edit(path, label, (text) => {
          const { text: next, digest } = writtenDigest({ path, text, series, heading, last });
          written = digest;
          return { text: next };
        });
        if ('refused' in result) return void refuse(result.refused);
        if (!isSealedPath(path)) await store.setValue(key, written);
        latest.current.told(label, result.step);
      },
      next: async (date) => {
        const { facts: now, title: called } = latest.current;
        const series = now.series ?? called;
        if (now.series === null) {
          const joined = await actions.setFields(path, fieldsOf.series(series), `Series: ${series}`);
          if ('refused' in joined) return void refuse(joined.refused);
        }
        const made = await makeMeeting({ ...now, title: called, date, series });
        if (made !== null) void navigate(noteAddress(made));
      },
      makePerson: async (handle) => {
        const made = await actions.create(KIND_FOLDERS.person, handle, personText(handle));
        if ('refused' in made) refuse(made.refused);
      },
    };
  }, [path, actions, store, engine, clock, makeMeeting, navigate, latest]);
}
