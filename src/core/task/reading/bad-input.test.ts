import fc from 'fast-check';
import { shelfOf } from '../../index/live/shelf';
import { splitLines } from '../../note/blocks/lines';
import { actAcross } from '../acts/act-across';
import { ACTION_DEFAULTS } from '../acts/action-context';
import { readNote } from './read-note';
import { type Task, readTaskLine } from '../line/task';
import { runs } from '../../testing/test-runs';

const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

describe('any text is read, and no byte of it gets lost', () => {
  const HARD = [
    '\0',
    '\ud800',
    '\udfff{due 2026-11-27}',
    '- [ ] a\0b {due 2026-11-27}',
    '- [ ] \ud83c {high}',
    '- [\ud83c\udf0a] wave',
    '- [\u0301] mark',
    '- [ ] {{due 2026-11-27}}',
    '- [ ] a {due {2026-11-27}}',
    '- [ ] a }{ {high',
    '- [ ] a {due 9999-12-31; every day}',
    '- [ ] a {due 10000-01-01}',
    '- [ ] a {due 0000-01-01; plan 9999-W53}',
    '- [ ] a {;;; ; high;;}',
    '- [ ] a {every day until 9999-12-31}',
    '\t- [ ] tabs\t{due\t2026-11-27;\thigh}\t',
    '---\n- [ ] a\n---',
    '---\ntitle: [\n---\n- [ ] a',
    '```gather\n- [ ] a',
    '[[[[[[ #### @@@@ `````',
    '- [ ] @@a ##b #@c @#d',
  ];

  it.each(HARD)('%j', (text) => {
    const note = readNote('A.md', text);
    const lines = splitLines(text);
    const again = lines.starts.map((start, line) => text.slice(start, lines.starts[line + 1] ?? text.length)).join('');
    expect(again).toBe(text);
    for (const task of note.tasks) {
      expect(text).toContain(task.raw);
      for (const { from, to } of task.problems) expect(from >= 0 && to <= task.raw.length).toBe(true);
      const ref = { path: 'A.md', line: task.line, expected: task.raw };
      const outcome = actAcross(shelfOf([{ path: 'A.md', text }]), ref, { do: 'status', status: 'done' }, CONTEXT);
      if ('refused' in outcome) continue;
      expect(readNote('A.md', outcome.files[0]?.text ?? text).tasks.length).toBeGreaterThanOrEqual(note.tasks.length);
    }
  });

  it('a repeat at the end of time ends instead of leaving it', () => {
    const line = '- [ ] a {due 9999-12-31; every day}';
    const outcome = actAcross(
      shelfOf([{ path: 'A.md', text: line }]),
      { path: 'A.md', line: 0, expected: line },
      { do: 'status', status: 'done' },
      CONTEXT,
    );
    expect('files' in outcome && outcome.files[0]?.text).toBe('- [x] a {due 9999-12-31; every day; done 2026-11-23 09:14}');
  });

  it('random text of hostile pieces', () => {
    const piece = fc.constantFrom(...HARD, '\n', '\r\n', '\r', '  ', '> ', '- [ ] ', '{', '}', '; ', '1. ', '#', '---\n');
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 12 }), (pieces) => {
        const text = pieces.join('');
        const { tasks, lines } = readNote('A.md', text);
        for (const task of tasks) {
          const start = (lines.starts[task.line] ?? 0) + Number(task.line === 0 && text.startsWith('\ufeff'));
          expect(text.slice(start, lines.ends[task.line])).toBe(task.raw);
          const alone = readTaskLine(task.raw, task.boxFrom);
          const said = ({ text, status, due, priority, tags, people, links, problems }: Task) => [
            ...[text, status, due, priority],
            ...[tags, people, links, problems],
          ];
          expect(alone && said(alone)).toEqual(said(task));
        }
      }),
      { numRuns: runs(1000) },
    );
  });
});

/**
 * Work that grows with the square of a size shows as an exponent near 2. Times are too noisy for a test, so that these
 * only bound the largest; the bench shows the exponents.
 */
describe('large input ends', () => {
  it.each([
    ['100,000 nested bullets', `${'- '.repeat(100_000)}[ ] deep`],
    ['a line of 10 MB', `- [ ] ${'words #tag @who {x} '.repeat(500_000)}`],
    ['signs without end', `- [ ] ${'{#@[`\\'.repeat(200_000)}`],
    ['a tail of 10,000 clauses', `- [ ] a {${'due 2026-11-27; '.repeat(10_000)}}`],
    ['10,000 braces', `- [ ] ${'{'.repeat(10_000)}${'}'.repeat(10_000)}`],
    ['runs of backticks of every length', `- [ ] ${Array.from({ length: 3000 }, (_, count) => `${'`'.repeat(count + 1)} `).join('')}`],
    ['signs that nothing closes, on 200,000 lines', '- [ ] a [[ < ` ]( }\n'.repeat(200_000)],
    ['open brackets', `- [ ] ${'[['.repeat(100_000)}`],
    ['open links', `- [ ] ${'[a]('.repeat(100_000)}`],
    ['100,000 headings', '# h\n'.repeat(100_000)],
    ['100,000 quotes', `${'>'.repeat(100_000)} - [ ] deep`],
  ])('%s', (_what, text) => expect(readNote('A.md', text).lines.text).toBe(text), 20_000);
});
