import { useCallback } from 'react';
import { isoDay } from '../../../core/calendar/day';
import { isOutsidePath, outsidePath } from '../../../core/note/names/outside-path';
import { baseNameOf, dayOfTitle, foldPath } from '../../../core/note/names/path';
import type { Landing } from '../../../core/slip/landing';
import { OUTSIDE_VALUE, readSeenLists } from '../../../store/outside/seen-lists';
import { useServices } from '../state/services';
import { useAppSelector } from '../state/state';
import { useMadeText } from './use-made-text';

/** A place in a note that is there or can be made. */
export interface PlaceFound {
  path: string;
  heading: string | null;
  /** The text that the note begins with when it is made. */
  made: string;
}

/**
 * Finds the note that a landing names: a title or path, `@kofi` for the page of a person, or the path of a note that is not there yet.
 * A journal page and a person's page are made from their templates. Null where there is no such note and none can be made.
 */
export function useFindPlace(at: string | null): (landing: Landing) => Promise<PlaceFound | null> {
  const { engine, store } = useServices();
  const madeText = useMadeText();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const people = useAppSelector((state) => state.library.overview?.people);
  return useCallback(
    async ({ note, heading }) => {
      if (isOutsidePath(note)) return { path: note, heading: null, made: '' };
      const list = /^outside\s+(.+)$/i.exec(note)?.[1];
      if (list !== undefined) {
        const found = readSeenLists(await store.value(OUTSIDE_VALUE)).find(({ name }) => name.toLowerCase() === list.toLowerCase());
        if (found) return { path: outsidePath(found.name), heading: null, made: '' };
      }
      if (note.startsWith('@')) {
        const handle = note.slice(1).toLowerCase();
        const person = people?.find(({ name }) => name.toLowerCase() === handle);
        const path = person?.path ?? `People/${note.slice(1)}.md`;
        return { path, heading, made: person?.path ? '' : await madeText('person', note.slice(1)) };
      }
      const there = notes?.find(({ path }) => foldPath(path) === foldPath(note))?.path;
      const path = there ?? (await engine.ask('resolve', { target: note, from: at })) ?? (/\.md$/i.test(note) ? note : null);
      if (path === null) return null;
      const day = dayOfTitle(baseNameOf(path));
      return { path, heading, made: there === undefined && day !== null ? await madeText('journal', isoDay(day), day) : '' };
    },
    [engine, store, madeText, notes, people, at],
  );
}
