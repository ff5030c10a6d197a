import { useEffect, useRef, useState } from 'react';
import { isoDay } from '../../../core/calendar/day';
import { pathsOfLists } from '../../../core/formats/listed';
import { type OutFormat } from '../../../core/formats/out/formats';
import { SEALED_ENDING, isSealedPath, safeFileName } from '../../../core/note/names/path';
import type { StoredNote } from '../../../store/notes/content';
import type { Taken } from '../../../engine/files/take-out';
import { SETTINGS_FILE } from '../../../store/device/settings-file';
import { EARLIER_FILE } from '../../../store/keep/earlier-name';
import { OUTSIDE_FILE } from '../../../store/outside/outside-name';
import { OUTSIDE_VALUE, readSeenLists } from '../../../store/outside/seen-lists';
import { LEFT_BROWSER, leavesNow } from '../../../store/keep/left-browser';
import { say } from '../../session/telling/messages';
import { counted } from '../../session/acting/use-act';
import { type Services, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useReading } from '../../session/state/use-reading';
import { printPart } from './print-part';
import { saveFile } from './save-file';
import { whyFailed } from '../../session/telling/why-failed';

/** How far something is that goes out. */
export type Writing =
  | { is: 'idle' }
  | { is: 'writing'; words: string }
  | { is: 'done'; words: string; report: readonly string[] }
  | { is: 'failed'; words: string };

export interface TakeOutRuns {
  writing: Writing;
  /** Writes a file and hands it to the browser. */
  save: (taken: Taken, format: OutFormat, columns?: readonly string[]) => Promise<void>;
  /** Puts it on the clipboard: as text, and with its form where the format has one. */
  copy: (taken: Taken, format: OutFormat, columns?: readonly string[]) => Promise<void>;
  /** Prints it, as people read it. */
  print: (taken: Taken) => Promise<void>;
  stop: () => void;
}

/** Takes things out by the worker for files; it says how far it is, can be stopped, and says what came of it. */
export function useTakeOut(): TakeOutRuns {
  const services = useServices();
  const settings = useAppSelector((state) => state.settings);
  const reading = useReading();
  const [writing, setWriting] = useState<Writing>({ is: 'idle' });
  const stopping = useRef<AbortController | null>(null);
  const here = useRef(true);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
      stopping.current?.abort();
    };
  }, []);
  const tell = (next: Writing): void => {
    if (here.current) setWriting(next);
  };
  const taking = async <T>(work: (signal: AbortSignal) => Promise<T | null>, after: (result: T) => Promise<Writing>): Promise<void> => {
    stopping.current?.abort();
    const stop = new AbortController();
    stopping.current = stop;
    tell({ is: 'writing', words: 'Writing…' });
    try {
      // What is being typed belongs to it.
      await services.texts.saveAll();
      const result = await work(stop.signal);
      if (stopping.current !== stop) return;
      tell(result === null ? { is: 'failed', words: 'Stopped; no file was made.' } : await after(result));
    } catch (error) {
      tell({ is: 'failed', words: `It could not be written. ${whyFailed(error)}` });
    }
  };
  const progress = (looked: number, all: number): void =>
    tell({ is: 'writing', words: `Writing: ${looked.toLocaleString('en')} of ${all.toLocaleString('en')} notes` });
  const asked = (taken: Taken, format: OutFormat, columns?: readonly string[]) => ({
    ...{ taken: asReadable(taken), format, reading, title: titleOf(taken), slipHeading: settings.slipHeading, now: services.clock.now() },
    ...(columns && { columns }),
  });
  const save: TakeOutRuns['save'] = (taken, format, columns) =>
    taking(
      async (signal) => {
        const { withFiles } = await import('../../../engine/files/files');
        const others = await othersOf(taken, settings, services);
        const notes = await notesOf(taken, services);
        const pictures = await picturesOf(taken, services);
        return withFiles(signal, (files) => files.takeOut({ ...asked(taken, format, columns), others, pictures }, notes, progress));
      },
      async ({ file, ending, notes, tasks, report }) => {
        const name = `${safeFileName(`${titleOf(taken)}${taken.is === 'note' ? '' : ` ${isoDay(services.clock.now().day)}`}`)}${ending}`;
        saveFile(name, file);
        if (taken.is === 'all' && ending === '.zip')
          await services.store.changeValue(LEFT_BROWSER, leavesNow(Date.now())).catch(() => undefined);
        const held = taken.is === 'lists' ? counted(tasks, 'task') : `${counted(notes, 'note')} with ${counted(tasks, 'task')}`;
        return { is: 'done', words: `Saved as ${name}: ${held}.`, report };
      },
    );
  const copy: TakeOutRuns['copy'] = (taken, format, columns) =>
    taking(
      async (signal) => {
        const { withFiles } = await import('../../../engine/files/files');
        const notes = await notesOf(taken, services);
        return withFiles(signal, (files) => files.copied({ ...asked(taken, format, columns), others: {} }, notes));
      },
      async ({ text, html, tasks }) => {
        if (!(await toClipboard(text, html))) return { is: 'failed', words: 'The browser did not let it be copied.' };
        if (!here.current) say('Copied.');
        return { is: 'done', words: `Copied: ${counted(tasks, 'task')}${html === null ? '' : ', as text and with its form'}.`, report: [] };
      },
    );
  const print: TakeOutRuns['print'] = (taken) =>
    taking(
      async (signal) => {
        const { withFiles } = await import('../../../engine/files/files');
        const notes = await notesOf(taken, services);
        const pictures = await picturesOf(taken, services);
        return withFiles(signal, (files) => files.copied({ ...asked(taken, 'html'), others: {}, pictures }, notes));
      },
      async ({ html, tasks }) => {
        printPart(titleOf(taken), html ?? '');
        return { is: 'done', words: `Handed to the printer: ${counted(tasks, 'task')}.`, report: [] };
      },
    );
  return { writing, save, copy, print, stop: () => stopping.current?.abort() };
}

/** What is taken is called so. */
export function titleOf(taken: Taken): string {
  switch (taken.is) {
    case 'all':
      return 'Recado';
    case 'set-up':
      return 'Recado set-up';
    case 'folder':
      return taken.folder.replaceAll('/', ' ');
    default:
      return taken.title;
  }
}

/** The notes that are taken, where they are few; null for those that the worker reads for itself. */
async function notesOf(taken: Taken, { store }: Services) {
  const path = pathOf(taken);
  if (path !== null) return [await store.get(path)].flatMap((note) => (note ? unsealed(note) : []));
  if (taken.is === 'text') return [];
  if (taken.is === 'lists') return (await store.many(pathsOfLists(taken.lists))).flatMap((note) => note ?? []);
  return null;
}

/** The note of which all or a part is taken; null where it is another thing. */
const pathOf = (taken: Taken): string | null => (taken.is === 'note' ? taken.path : taken.is === 'lines' ? taken.ref.path : null);

const bare = (path: string): string => path.replace(/\.age$/, '');
const SEALED_LINK = /(\.(?:png|jpe?g|gif|webp|avif|svg))\.age(?=[)>"\s])/gi;

/** A note that a person takes out by hand goes out readable, as it is shown; its pictures too. */
const unsealed = (note: StoredNote): StoredNote =>
  isSealedPath(note.path) && note.text !== null
    ? { ...note, path: note.path.slice(0, -SEALED_ENDING.length), text: note.text.replace(SEALED_LINK, '$1') }
    : note;

/** The same, as it reads in the note that goes out. */
const asReadable = (taken: Taken): Taken =>
  taken.is === 'lines' && isSealedPath(taken.ref.path)
    ? { ...taken, ref: { ...taken.ref, expected: taken.ref.expected.replace(SEALED_LINK, '$1') } }
    : taken;

/** The pictures that a note shows, as whoever has opened its seal sees them. */
async function picturesOf(taken: Taken, { store }: Services) {
  const path = pathOf(taken);
  if (path === null) return [];
  const text = (await store.text(path)) ?? '';
  if (!text.includes('![')) return [];
  const [{ picturesIn }, { shownPicture }] = await Promise.all([
    import('../../../core/note/names/picture-path'),
    import('../../../store/pictures/picture-store'),
  ]);
  const targets = new Set(text.split(/\r?\n/).flatMap((line) => picturesIn(line).map(({ target }) => target)));
  const found = await Promise.all([...targets].map(async (target) => ({ target, shown: await shownPicture(store, path, target) })));
  return found.flatMap(({ target, shown }) =>
    shown.is === 'there' ? { target: bare(target), path: bare(shown.path), bytes: shown.bytes } : [],
  );
}

/** What stands beside the notes of a zip. */
async function othersOf(taken: Taken, settings: object, { store }: Services): Promise<Record<string, string>> {
  if (taken.is !== 'all' && taken.is !== 'set-up') return {};
  const own = { [SETTINGS_FILE]: `${JSON.stringify(settings, null, 2)}\n` };
  if (taken.is === 'set-up') return own;
  const { earlierFile } = await import('../../../store/keep/earlier-file');
  const { outsideFile } = await import('../../../store/outside/outside-file');
  const outside = readSeenLists(await store.value(OUTSIDE_VALUE)).length === 0 ? null : await outsideFile();
  return { ...own, [EARLIER_FILE]: await earlierFile(store.db), ...(outside !== null && { [OUTSIDE_FILE]: outside }) };
}

/** As text and, where there is one, with its form, so that a list stays a list where it is pasted. */
async function toClipboard(text: string, html: string | null): Promise<boolean> {
  try {
    if (html === null) await navigator.clipboard.writeText(text);
    else
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/plain': new Blob([text], { type: 'text/plain' }),
          'text/html': new Blob([html], { type: 'text/html' }),
        }),
      ]);
    return true;
  } catch {
    return false;
  }
}
