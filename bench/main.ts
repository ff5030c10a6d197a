import { writeFileSync } from 'node:fs';
import path from 'node:path';
import markdownIt from 'markdown-it';
import * as rrule from 'rrule';
import { SHIPPED_PAGES } from '../src/core/agenda/shipped';
import { OverviewKeeper } from '../src/core/index/live/overview-keeper';
import { Library, type LibrarySettings } from '../src/core/index/library';
import { EMPTY_REPEAT, writtenOut } from '../src/core/calendar/repeat/repeat';
import { nextDate } from '../src/core/calendar/repeat/repeat-dates';
import { readRepeat } from '../src/core/calendar/repeat/repeat-phrase';
import { repeatRuleText } from '../src/core/calendar/repeat/repeat-rule';
import { readNote } from '../src/core/task/reading/read-note';
import { browserRows } from './browser';
import { fitRow } from './day';
import { fileRows } from './files';
import { gatherRows } from './gathers';
import { growthRows } from './growth';
import { lendingRows } from './lending';
import { searchRows } from './search';
import { BENCH_DAY, type BenchNote, makeLibrary } from './library';
import { type BenchRow, measure, row } from './measure';

// Plain Node sees only the default export of this library.
const { RRule } = (Reflect.get(rrule, 'default') ?? rrule) as typeof rrule;

const SETTINGS: LibrarySettings = { today: BENCH_DAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 };
const QUESTIONS = [
  ...SHIPPED_PAGES.flatMap((page) => readNote(page.path, page.text).gathers.map((gather) => gather.text)).slice(0, 8),
  'open and due in next 14 days group by week limit 12 per group',
  '#loans and without due limit 50',
  '@kofi and open order by due',
  'waiting group by note limit 20',
];

function build(notes: readonly BenchNote[]): Library {
  const library = new Library(SETTINGS);
  library.apply(notes);
  return library;
}

function lineEnds(notes: readonly BenchNote[]): number {
  let count = 0;
  for (const { text } of notes) for (let at = text.indexOf('\n'); at !== -1; at = text.indexOf('\n', at + 1)) count++;
  return count;
}

function reading(notes: readonly BenchNote[], size: string): BenchRow[] {
  const reference = markdownIt({ html: true });
  const times = measure({
    ours: () => notes.forEach(({ path, text }) => void readNote(path, text)),
    indexed: () => build(notes),
    'markdown-it': () => notes.forEach(({ text }) => reference.parse(text, {})),
    'line ends': () => {
      if (lineEnds(notes) === 0) throw new Error('a library has lines');
    },
  });
  const against = (what: string, time: number, faster: number): BenchRow[] => [
    row(what, 'times faster than markdown-it makes tokens', times['markdown-it'] / time, { atLeast: faster }),
    row(what, 'times slower than counting line ends', time / times['line ends'], { atMost: 40 }),
  ];
  return [
    ...against(`reading all of ${size}: structure, fields, inheritance, problems`, times.ours, 8),
    ...against(`reading all of ${size} into an index`, times.indexed, 5),
  ];
}

/** A changed note until its answers stand, and until what changed of them is told; each round changes the note, so that nothing is already known. */
function changing(notes: readonly BenchNote[], size: string): BenchRow[] {
  const library = build(notes);
  QUESTIONS.forEach((question, index) => library.subscribe(String(index), question, null));
  QUESTIONS.forEach((_, index) => library.news(String(index)));
  const keeper = new OverviewKeeper();
  keeper.news(library, null, {});
  const note = notes[Math.floor(notes.length / 2)];
  if (!note) throw new Error('a library has notes');
  let round = 0;
  const text = (): string => `${note.text}\n- [ ] round ${round++} {due 2026-11-20; high}`;
  const carried = (): unknown[] => library.apply([{ path: note.path, text: text() }]).map((id) => library.news(id));
  const repeat = (one: () => void): void => {
    for (let times = 0; times < 10; times++) one();
  };
  const times = measure({
    answered: () => repeat(() => library.apply([{ path: note.path, text: text() }]).forEach((id) => library.news(id))),
    carried: () => repeat(() => void structuredClone(carried())),
    overview: () =>
      repeat(() => {
        library.apply([{ path: note.path, text: text() }]).forEach((id) => library.news(id));
        void structuredClone(keeper.news(library, library.takeChanged(), {}));
      }),
    reading: () => repeat(() => void readNote(note.path, text())),
  });
  answered[size] = times.answered;
  return [
    row(`one changed note of ${size} → 12 answers`, 'times slower than reading that note', times.answered / times.reading, { atMost: 20 }),
    row(`the same, carried to the page`, 'times slower than reading that note', times.carried / times.reading, null),
    row(`the same answers, and what the frame shows`, 'times slower than reading that note', times.overview / times.reading, null),
    ...(answered['small'] !== undefined && size === 'large'
      ? [row(`one changed note of ${size} → 12 answers`, 'times the same at small', times.answered / answered['small'], { atMost: 2 })]
      : []),
  ];
}

/** What a changed note cost at each size, in milliseconds. */
const answered: Record<string, number> = {};

async function memory(notes: readonly BenchNote[]): Promise<number> {
  const bytes = notes.reduce((sum, note) => sum + Buffer.byteLength(note.text), 0);
  const collect = (globalThis as { gc?: () => void }).gc;
  if (!collect) return NaN;
  // What lies outside the heap is given back a moment after it was collected.
  const collected = async (): Promise<void> => {
    for (let round = 0; round < 3; round++) {
      collect();
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  };
  build(notes);
  await collected();
  // The columns of the index lie outside the heap.
  const used = (): number => process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;
  const before = used();
  // Several indexes of a small library, so that what the collector leaves lying about does not count.
  const libraries = Array.from({ length: Math.max(1, Math.round(2000 / notes.length)) }, () => build(notes));
  await collected();
  const after = used();
  return (after - before) / bytes / libraries.filter((library) => library.entries.size > 0).length;
}

/** The next date of a repeat against rrule given the same rule directly. */
function nextDates(): number {
  const phrases = ['week on fri', '2 weeks on mon, fri from 2026-11-23', 'month on last fri', 'month on 31', 'year on 25 dec'];
  const repeats = phrases.map((phrase) => writtenOut(readRepeat(phrase) ?? EMPTY_REPEAT, BENCH_DAY));
  const options = repeats.map((repeat) => RRule.parseString(repeatRuleText(repeat)?.split('\n')[0] ?? ''));
  const start = new Date(BENCH_DAY * 86_400_000);
  const times = measure({
    ours: () => {
      for (let round = 0; round < 200; round++) for (const repeat of repeats) nextDate(repeat, BENCH_DAY + round, BENCH_DAY + round);
    },
    rrule: () => {
      for (let round = 0; round < 200; round++) {
        const from = new Date(start.getTime() + round * 86_400_000);
        for (const rule of options) new RRule({ ...rule, dtstart: from }, true).after(from);
      }
    },
  });
  return times.ours / times.rrule;
}

/** How the time of reading one text grows with its size: the exponent over sizes 1, 2, 4 and 8. */
function growth(make: (size: number) => string): number {
  const sizes = [1, 2, 4, 8];
  const texts = sizes.map(make);
  const functions: Record<string, () => void> = {};
  texts.forEach((text, index) => (functions[String(sizes[index])] = () => void readNote('A.md', text)));
  const times = measure(functions, 5);
  return Math.log(Number(times['8']) / Number(times['1'])) / Math.log(8);
}

const onlyBrowser = process.argv.includes('--browser');
const sizes: [string, number][] = onlyBrowser
  ? []
  : process.argv.includes('--small')
    ? [['small', 100]]
    : [
        ['small', 100],
        ['a tenth of large', 1000],
        ['large', 10_000],
      ];
const rows: BenchRow[] = [];
if (!onlyBrowser) rows.push(...(await growthRows()));
for (const [size, count] of sizes) {
  const notes = makeLibrary(count);
  rows.push(...reading(notes, size));
  rows.push(...changing(notes, size));
  rows.push(...(await gatherRows(() => build(notes), size, size === 'large')));
  rows.push(...searchRows(notes, SETTINGS, size));
  if (size === 'large') rows.push(...(await fileRows(notes, size)));
  rows.push(row(`memory of the index over ${size}`, 'times the texts', await memory(notes), { atMost: 5 }));
}
if (!onlyBrowser) {
  rows.push(...(await (process.argv.includes('--small') ? lendingRows(10, 6) : lendingRows(50, 60))));
  rows.push(fitRow());
  rows.push(row('the next date of a repeat', 'times slower than rrule given the rule', nextDates(), { atMost: 2 }));
  const note = makeLibrary(40)
    .map((one) => one.text.replace(/^---[\s\S]*?---\n/, ''))
    .join('\n\n');
  rows.push(
    row(
      'reading a note of up to 5 MB',
      'is the exponent of its growth',
      growth((size) => note.repeat(size * 8)),
      { atMost: 1.2 },
    ),
  );
  const line = 'words of a line #tag @who [[link]] ';
  rows.push(
    row(
      'reading a line of up to 10 MB',
      'is the exponent of its growth',
      growth((size) => `- [ ] ${line.repeat(size * 36_000)}`),
      { atMost: 1.2 },
    ),
  );
}
if (!process.argv.includes('--small')) rows.push(...(await browserRows()));
for (const { what, reference, ratio, limit, holds } of rows) {
  const wanted = limit === null ? '' : 'atLeast' in limit ? `at least ${limit.atLeast}` : `at most ${limit.atMost}`;
  console.log(
    `${holds === null ? '     ' : holds ? 'holds' : 'FAILS'}  ${ratio.toFixed(1).padStart(8)} ${reference} (${wanted}) · ${what}`,
  );
}
writeFileSync(path.join(process.cwd(), 'bench/results.json'), `${JSON.stringify(rows, null, 2)}\n`);
// What the browser left open would keep the process for ever.
process.exit(0);
