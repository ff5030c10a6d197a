import { useEffect, useMemo, useState } from 'react';
import type { NoteSummary } from '../../core/index/live/overview';
import { dayNamed } from '../../core/calendar/spoken/day-named';
import { dayTitle } from '../../core/calendar/day-name';
import { STATUSES, STATUS_NAMES } from '../../core/task/line/status';
import { dayAddress, folderAddress, noteAddress, personAddress, statusAddress, tagAddress } from '../session/places/addresses';
import type { Pin } from '../session/state/frame-slice';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useAddedStatuses } from '../session/state/use-statuses';
import { keyName } from './command';

/** A place that is gone to from the menu of commands. */
export interface Jump {
  address: string;
  words: string;
  /** Where it stands, or what it is. */
  of: string;
}

export interface JumpGroup {
  title: string;
  jumps: Jump[];
  /** Whether the engine found them by its own comparison of words. */
  isFound: boolean;
}

const MOST_NAMES = 8;

/** Where typed words lead, beside commands and notes: a day, pins, tags, people, statuses, headings and tasks. */
export function useJumps(typed: string): JumpGroup[] {
  const text = typed.trim();
  const overview = useAppSelector((state) => state.library.overview);
  const pins = useAppSelector((state) => state.frame.pins);
  const { firstDayOfWeek } = useAppSelector((state) => state.settings);
  const { day: today } = useNow();
  const added = useAddedStatuses();
  const found = useFound(text);
  const notes = overview?.notes;
  const folders = useMemo(() => foldersOf(notes ?? []), [notes]);
  if (text === '') return [{ title: 'Pinned', jumps: pins.map((pin) => pinned(pin, '')), isFound: false }];
  const day = dayNamed(text, { today, firstDayOfWeek });
  const has = (words: string): boolean =>
    text
      .toLowerCase()
      .split(/\s+/)
      .every((part) => words.toLowerCase().includes(part));
  return [
    { title: 'Days', jumps: day === null ? [] : [{ address: dayAddress(day), words: dayTitle(day), of: 'journal page' }], isFound: false },
    {
      isFound: false,
      title: 'Pinned',
      jumps: pins.filter(({ title }) => has(title)).map((pin) => pinned(pin, 'pinned')),
    },
    {
      isFound: false,
      title: 'People and tags',
      jumps: [
        ...(overview?.people ?? []).map(({ name, fullName }) => ({ address: personAddress(name), words: `@${name}`, of: fullName ?? '' })),
        ...(overview?.tags ?? []).map(({ name }) => ({ address: tagAddress(name), words: `#${name}`, of: '' })),
      ]
        .filter(({ words, of }) => has(`${words} ${of}`))
        .slice(0, MOST_NAMES),
    },
    {
      isFound: false,
      title: 'Statuses',
      jumps: [
        ...STATUSES.map((status) => ({ address: statusAddress(status), words: STATUS_NAMES[status] })),
        ...added.map(({ name }) => ({ address: statusAddress(name), words: name })),
      ].flatMap((jump) => (has(jump.words) ? [{ ...jump, of: 'all tasks of this status' }] : [])),
    },
    {
      isFound: false,
      title: 'Folders',
      jumps: folders
        .filter(has)
        .slice(0, MOST_NAMES)
        .map((folder) => ({ address: folderAddress(folder), words: folder, of: 'folder' })),
    },
    ...found,
  ];
}

/** The folders that notes lie in, and those around them, by name. */
const foldersOf = (notes: readonly NoteSummary[]): string[] =>
  [...new Set(notes.flatMap(({ path }) => path.split('/').map((_part, depth, parts) => parts.slice(0, depth).join('/'))))]
    .filter((folder) => folder !== '')
    .sort();

const pinned = ({ title, address, key }: Pin, of: string): Jump => ({ address, words: title, of: key === undefined ? of : keyName(key) });

/** Headings and tasks that hold the words, as the engine finds them. */
function useFound(text: string): JumpGroup[] {
  const { engine } = useServices();
  const [found, setFound] = useState<JumpGroup[]>([]);
  useEffect(() => {
    let gone = false;
    const ask = async (): Promise<void> => {
      if (text.length < 2) return setFound([]);
      const [headings, tasks] = await Promise.all([engine.ask('headings', { words: text }), engine.ask('find', { words: text })]);
      if (gone) return;
      setFound([
        {
          isFound: true,
          title: 'Headings',
          jumps: headings.map(({ path, line, words, noteTitle }) => ({ address: noteAddress(path, line), words, of: noteTitle })),
        },
        {
          isFound: true,
          title: 'Tasks',
          jumps: tasks.map(({ path, line, text: words, noteTitle }) => ({ address: noteAddress(path, line), words, of: noteTitle })),
        },
      ]);
    };
    void ask();
    return () => {
      gone = true;
    };
  }, [engine, text]);
  return found;
}
