import { isoDay } from '../../calendar/day';
import { readNote } from './read-note';
import { recordRuns } from './record-runs';

const runs = (text: string): string[] =>
  recordRuns(readNote('Rounds.md', text)).map(
    ({ first, last, repeats }) =>
      `${first}-${last}: ${repeats.map((one) => `${one.text} ×${one.times}, ${one.last === null ? 'no day' : isoDay(one.last)}`).join('; ')}`,
  );

it('finds records that follow one another, of one repeat or several', () => {
  const text = [
    '- [ ] Read the log {due 2026-11-27; every day}',
    '- [ ] Count {due 2026-11-27; every week}',
    '- [x] Read the log {due 2026-11-25; done 2026-11-25 09:00}',
    '- [-] Read the log {due 2026-11-26; cancelled 2026-11-26}',
    '  - away',
    '- [x] Count {due 2026-11-20}',
    '- [x] Something else {done 2026-11-20}',
    '- [x] Read the log {done 2026-11-24}',
  ].join('\n');
  expect(runs(text)).toEqual(['2-5: Read the log ×2, 2026-11-26; Count ×1, no day']);
});

it.each([
  ['a single record', '- [ ] a {due 2026-11-27; every day}\n- [x] a {done 2026-11-26}'],
  ['what no repeat stands for', '- [ ] a\n- [x] a {done 2026-11-26}\n- [x] a {done 2026-11-25}'],
  ['another list', '- [ ] a {due 2026-11-27; every day}\n- [ ] b\n  - [x] a\n  - [x] a'],
  ['a repeat that ended', '- [x] a {due 2026-11-27; every day}\n- [x] a\n- [x] a'],
])('%s is not folded', (_, text) => expect(runs(text)).toEqual([]));
