import type { OutFormat } from '../src/core/formats/out/formats';
import { READING_DEFAULTS } from '../src/core/task/line/task';
import { readNote } from '../src/core/task/reading/read-note';
import { BringIn } from '../src/engine/files/bring-in';
import { takeOut } from '../src/engine/files/take-out';
import type { StoredNote } from '../src/store/notes/content';
import { BENCH_DAY, type BenchNote } from './library';
import { type BenchRow, row } from './measure';

const CHOICES = { folder: '', textFiles: 'notes', events: 'appointments', signs: {}, tables: {} } as const;
const PORTION = 400;

/** What goes out in each form, and what comes in, against reading the same notes; and what memory it takes against what is written. */
export async function fileRows(notes: readonly BenchNote[], size: string): Promise<BenchRow[]> {
  const stored = notes.map(({ path, text }): StoredNote => ({
    key: path.toLowerCase(),
    id: path,
    path,
    text,
    bytes: null,
    changed: 0,
    demo: null,
  }));
  const portions = async function* () {
    for (let at = 0; at < stored.length; at += PORTION) yield { notes: stored.slice(at, at + PORTION), all: stored.length };
  };
  const reading = await best(() => notes.forEach(({ path, text }) => void readNote(path, text)));
  const rows: BenchRow[] = [];
  for (const [format, name] of [
    ['markdown', 'a zip'],
    ['ics', 'iCalendar'],
    ['json', 'JSON'],
  ] as const) {
    let most = 0;
    let written = 0;
    const out = async (): Promise<void> => {
      const before = used();
      const { file } = await takeOut(portions(), asked(format), (looked) => {
        if (looked % (PORTION * 5) === 0) most = Math.max(most, used() - before);
      });
      written = file.size;
    };
    const time = await best(out, 2);
    rows.push(row(`${size} out as ${name}`, 'times reading it', time / reading, null));
    rows.push(row(`${size} out as ${name}: memory at most`, 'times what is written', most / written, { atMost: 3 }));
  }
  const encoder = new TextEncoder();
  const files = notes.map(({ path, text }) => ({ path, bytes: encoder.encode(text) }));
  const given = async function* () {
    yield* files;
  };
  const bringingIn = await best(async () => {
    const incoming = new BringIn(READING_DEFAULTS, new Set());
    await incoming.read(given(), portions(), () => undefined);
    incoming.plan(CHOICES);
    if ([...incoming.arrivals(CHOICES)].length !== notes.length) throw new Error('every note comes in');
  });
  rows.push(row(`${size} in: what it comes to, and handed on`, 'times reading it', bringingIn / reading, { atMost: 3 }));
  return rows;
}

const asked = (format: OutFormat) => ({
  ...{ taken: { is: 'all' } as const, format, title: 'Recado', reading: READING_DEFAULTS, slipHeading: 'Log', others: {} },
  now: { day: BENCH_DAY, minute: 0 },
});

/** What is held, in bytes, with what is written so far; what is held no longer is none of it, and its buffers go with the second collection. */
function used(): number {
  global.gc?.();
  global.gc?.();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return heapUsed + arrayBuffers;
}

/** The least of some times, in milliseconds. */
async function best(work: () => void | Promise<void>, rounds = 3): Promise<number> {
  let least = Infinity;
  for (let round = -1; round < rounds; round++) {
    const started = performance.now();
    await work();
    if (round >= 0) least = Math.min(least, performance.now() - started);
  }
  return least;
}
