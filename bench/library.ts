import { isoDay } from '../src/core/calendar/day';

/** A pseudo-random number generator with a seed, so that every run reads the same library (mulberry32, from memory). */
function generator(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

export interface BenchNote {
  path: string;
  text: string;
}

const LATIN =
  'ask lender crate height label draft proof barometer tide clock lamp room gallery wall panel print sign rider courier glass salt lens weigh count'.split(
    ' ',
  );
const BEYOND = '海図 灯台 潮時計 霧 маяк якорь прилив βαρόμετρο φάρος 경보 나침반 खारा'.split(' ');
const TAGS = ['loans', 'label-text', 'build', 'phone', 'rounds', 'place/archive', 'opening', 'someday'];
const PEOPLE = ['ilse', 'kofi', 'noor', 'teo', 'priya', 'lars', 'bea'];
const FOLDERS = ['Exhibitions', 'Collections/Intake', 'Meetings', 'Journal', 'Projects', 'Private'];

/** The day on which the library stands. */
export const BENCH_DAY = 20780;

/**
 * Makes the library “large”, or a part of it: 10,000 notes with 100,000 tasks, a third of the texts beyond Latin-1,
 * half with front matter, all block kinds of CommonMark.
 *
 * @param notes how many notes; ten tasks each
 */
export function makeLibrary(notes: number): BenchNote[] {
  const random = generator(20261123);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
  const day = (): string => isoDay(BENCH_DAY - 60 + Math.floor(random() * 180));
  return Array.from({ length: notes }, (_, index) => {
    const words = random() < 1 / 3 ? [...LATIN, ...BEYOND, ...BEYOND] : LATIN;
    const sentence = (count: number): string => Array.from({ length: count }, () => pick(words)).join(' ');
    const task = (indent: string): string => {
      const parts = [
        random() < 0.5 ? `due ${day()}` : '',
        random() < 0.2 ? `plan ${day()}` : '',
        random() < 0.1 ? `start ${day()}` : '',
        random() < 0.15 ? pick(['top', 'high', 'low']) : '',
        random() < 0.2 ? pick(['takes 30m', 'takes 1h30m']) : '',
        random() < 0.05 ? 'every week on fri' : '',
      ].filter((part) => part !== '');
      const names = (random() < 0.3 ? ` #${pick(TAGS)}` : '') + (random() < 0.3 ? ` @${pick(PEOPLE)}` : '');
      return `${indent}- [${pick([' ', ' ', ' ', 'x', '_', ':', '-'])}] ${sentence(7)}${names}${parts.length ? ` {${parts.join('; ')}}` : ''}`;
    };
    const lines = index % 2 === 0 ? ['---', 'kind: project', `tags: [${pick(TAGS)}]`, 'about: "[[Note 1]]"', '---'] : [];
    lines.push(
      `## ${sentence(3)} #${pick(TAGS)}`,
      '',
      sentence(40),
      '',
      task(''),
      task('  '),
      task('  '),
      '- plain item',
      task('  '),
      '',
      '> ' + sentence(20),
      `> ${task('')}`,
      '',
    );
    lines.push(
      `### ${sentence(2)}`,
      task(''),
      task(''),
      '',
      '```',
      sentence(12),
      '- [ ] no task',
      '```',
      '',
      '1. one',
      '2. two',
      '   * deep',
      '',
      '    indented code',
      '',
    );
    lines.push(
      '<div>',
      sentence(5),
      '</div>',
      '',
      '| a | b |',
      '| - | - |',
      `| ${sentence(2)} | x |`,
      '',
      task(''),
      task(''),
      task('  '),
      '',
      '---',
      `[ref]: /url "title"`,
      '',
      sentence(60),
      sentence(30),
    );
    return { path: `${pick(FOLDERS)}/Note ${index}.md`, text: lines.join('\n') };
  });
}
