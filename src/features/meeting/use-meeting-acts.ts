import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { type Day, isoDay } from '../../core/calendar/day';
import type { MeetingFacts } from '../../core/meeting/meeting-facts';
import { meetingFileName, meetingTitle, nameInTitle } from '../../core/meeting/meeting-title';
import { foldName } from '../../core/note/names/names';
import { baseNameOf } from '../../core/note/names/path';
import { withFields } from '../../core/note/facts/with-fields';
import { personText } from '../../core/template/name-text';
import { KIND_FOLDERS } from '../note/kind-folders';
import { refuse } from '../session/acting/messages';
import { useToldDone } from '../session/acting/use-act';
import { useMadeText } from '../session/acting/use-made-text';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useLatest } from '../../ui/use-latest';
import { fieldsOf, fieldsOfNext } from './meeting-fields';

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
  const { actions, store, engine } = useServices();
  const told = useToldDone();
  const navigate = useNavigate();
  const madeText = useMadeText();
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
    return {
      store: async (fields, after) => {
        const { facts: before, title: called } = latest.current;
        const wasMade = called === titleOf(before);
        const label = `Meeting changed: ${called}`;
        const result = await actions.edit(path, label, (text) => withFields(text, fields));
        if ('refused' in result) return void refuse(result.refused);
        latest.current.told(label, result.step);
        const now = { ...before, ...after };
        const wanted = wasMade ? titleOf(now) : called;
        // The day in the name of the file goes along.
        const base = baseNameOf(path);
        const dated = /^\d{4}-\d{2}-\d{2} /.test(base);
        const file = dated ? meetingFileName(now.date === null ? null : isoDay(now.date), wanted) : wanted;
        if (wanted === called && (!dated || file === base)) return;
        const renamed = await actions.rename(path, wanted, file);
        if ('refused' in renamed) refuse(renamed.refused);
      },
      digest: async () => {
        const [{ digestOf, withDigest }, { leftOpenBefore }, { readNote }, { mergeForTheirs }, { meetingsOfSeries }] = await Promise.all([
          import('../../core/meeting/digest'),
          import('../../core/meeting/left-open'),
          import('../../core/task/reading/read-note'),
          import('../../store/texts/merge'),
          import('../../core/meeting/series'),
        ]);
        const { facts: now, heading: under, title: called } = latest.current;
        const others = now.series === null ? [] : meetingsOfSeries(await engine.ask('meetings', {}), now.series);
        const notes = (await store.many(others.map((one) => one.path))).flatMap((note) =>
          note?.text == null ? [] : [readNote(note.path, note.text)],
        );
        const key = `digest ${path.toLowerCase()}`;
        const last = (await store.value(key)) as string | undefined;
        let written = '';
        const label = `Digest of ${called}`;
        const result = await actions.edit(path, label, (text) => {
          const note = readNote(path, text);
          written = digestOf(note, leftOpenBefore(note, notes), under).trim();
          return withDigest(
            note,
            (present) => {
              if (present === '') return written;
              // Where nobody knows what was written last, what both hold is what nobody changed.
              const lines = new Set(written.split('\n'));
              const base =
                last ??
                present
                  .split('\n')
                  .filter((line) => lines.has(line))
                  .join('\n');
              return mergeForTheirs(base, written, present).text;
            },
            under,
          );
        });
        if ('refused' in result) return void refuse(result.refused);
        await store.setValue(key, written);
        latest.current.told(label, result.step);
      },
      next: async (date) => {
        const { facts: now, title: called } = latest.current;
        const series = now.series ?? called;
        if (now.series === null) {
          const joined = await actions.edit(path, `Series: ${series}`, (text) => withFields(text, fieldsOf.series(series)));
          if ('refused' in joined) return void refuse(joined.refused);
        }
        const fields = { ...fieldsOfNext(now, series, date), title: JSON.stringify(called) };
        const text = withFields(
          await madeText('meeting', called, date, new Map([['people', now.people.map((one) => `@${one}`).join(', ')]])),
          fields,
        );
        const made = await actions.create(KIND_FOLDERS.meeting, meetingFileName(isoDay(date), called), text);
        if ('refused' in made) return void refuse(made.refused);
        latest.current.told(`The next: ${called}`, made.step);
        void navigate(noteAddress(made.path));
      },
      makePerson: async (handle) => {
        const made = await actions.create(KIND_FOLDERS.person, handle, personText(handle));
        if ('refused' in made) refuse(made.refused);
      },
    };
  }, [path, actions, store, engine, madeText, navigate, latest]);
}
