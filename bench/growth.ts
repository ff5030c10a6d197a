import 'fake-indexeddb/auto';
import { sinkLists } from '../src/core/task/acts/list-actions';
import { ACTION_DEFAULTS, type ActionContext } from '../src/core/task/acts/action-context';
import type { WideIntention } from '../src/core/task/acts/intention';
import { shelfOf } from '../src/core/index/live/shelf';
import { actOnLines } from '../src/core/task/acts/act-on-lines';
import { RecadoDatabase } from '../src/store/notes/database';
import { TYPING } from '../src/store/notes/origin';
import { NoteActions } from '../src/store/acting/note-actions';
import { NoteStore } from '../src/store/notes/note-store';
import { BENCH_DAY, makeLibrary } from './library';
import { type BenchRow, row } from './measure';

const CONTEXT: ActionContext = { now: { day: BENCH_DAY, minute: 600 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const SIZES = [1, 2, 4, 8];
const ROUNDS = 5;

/** How the time of something grows with its size: the exponent over sizes 1, 2, 4 and 8, each by its least time. */
async function growth(prepare: (size: number) => Promise<() => unknown> | (() => unknown)): Promise<number> {
  const best = new Map<number, number>();
  for (let round = -2; round < ROUNDS; round++) {
    for (const size of SIZES) {
      const act = await prepare(size);
      const started = performance.now();
      await act();
      const time = performance.now() - started;
      if (round >= 0) best.set(size, Math.min(time, best.get(size) ?? Infinity));
    }
  }
  return Math.log((best.get(8) ?? 0) / (best.get(1) ?? 1)) / Math.log(8);
}

/** A note of tasks under a few headings, and what names each of them. */
function manyTasks(count: number, words: string) {
  const lines = Array.from({ length: count }, (_, index) => `- ${words} number ${index}`);
  const text = ['# One', ...lines.slice(0, count / 2), '', '# Two', ...lines.slice(count / 2)].join('\n');
  const refs = text.split('\n').flatMap((expected, line) => (expected.startsWith('- ') ? [{ path: 'A.md', line, expected }] : []));
  return { notes: [{ path: 'A.md', text }], refs };
}

const bulk =
  (intention: WideIntention, words: string) =>
  (size: number): (() => Promise<unknown>) => {
    const { notes, refs } = manyTasks(size * 500, words);
    const tasks = refs.map((ref) => ({ ref, intentions: [intention] }));
    return () => actOnLines(shelfOf(notes), tasks, CONTEXT);
  };

let databases = 0;

async function folderRename(size: number): Promise<() => Promise<unknown>> {
  const store = new NoteStore(new RecadoDatabase(`bench-${databases++}`), 'bench', () => 0);
  const notes = makeLibrary(size * 60).map(({ path, text }) => ({ path: `Shows/${path}`, expect: null, content: { text } }));
  await store.commit(TYPING, notes);
  const actions = new NoteActions(store, () => CONTEXT);
  return () => actions.renameEverywhere({ is: 'folder', before: 'Shows', after: 'Exhibitions' }, () => true);
}

/** How actions on many lines, and renames, grow with the number of lines and notes. */
export async function growthRows(): Promise<BenchRow[]> {
  const limit = { atMost: 1.2 };
  const exponent = 'is the exponent of its growth';
  return [
    row(
      'moving up to 4,000 lines of one note to another day',
      exponent,
      await growth(bulk({ do: 'push', to: 'tomorrow' }, '[ ] task')),
      limit,
    ),
    row(
      'ticking up to 4,000 repeats of one note',
      exponent,
      await growth(bulk({ do: 'status', status: 'done' }, '[ ] task {due 2026-11-20; every day}')),
      limit,
    ),
    row('archiving up to 4,000 lines of one note', exponent, await growth(bulk({ do: 'archive', to: 'Old' }, '[x] task')), limit),
    row(
      'taking up to 4,000 finished lines to the end of their list',
      exponent,
      await growth((size) => {
        const text = manyTasks(size * 500, '[x] task').notes[0]?.text.replaceAll('[x] task number 7', '[ ] task') ?? '';
        return () => sinkLists(text, [1], CONTEXT.settings);
      }),
      limit,
    ),
    row('renaming a folder of up to 480 notes', exponent, await growth(folderRename), limit),
  ];
}
