import fc from 'fast-check';
import { shelfOf } from '../../index/live/shelf';
import { actAcross } from './act-across';
import { ACTION_DEFAULTS, type ActionContext } from './action-context';
import { applyChanges } from '../writing/edit';
import { inverseChanges } from './act-fixtures';
import type { WideIntention } from './intention';
import { readNote } from '../reading/read-note';
import { refMaker } from '../line/ref';
import { runs } from '../../testing/test-runs';

const CONTEXT: ActionContext = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

/** What an action makes of notes: the texts that changed by path, or why it refuses. */
function across(notes: Record<string, string>, path: string, words: string, intention: WideIntention): Record<string, string> | string {
  const list = Object.entries(notes).map(([one, text]) => ({ path: one, text }));
  const lines = (notes[path] ?? '').split('\n');
  const line = lines.findIndex((one) => one.includes(words));
  const outcome = actAcross(shelfOf(list), { path, line, expected: lines[line] ?? '' }, intention, CONTEXT);
  if ('refused' in outcome) return outcome.refused;
  for (const { path: one, changes, text } of outcome.files) {
    const before = notes[one] ?? '';
    expect(applyChanges(before, changes)).toBe(text);
    expect(applyChanges(text, inverseChanges(before, changes))).toBe(before);
  }
  return Object.fromEntries(outcome.files.map((file) => [file.path, file.text]));
}

const LOANS =
  '# Loans\n\n## Crates #loans\n\n- [ ] Weigh the crate {due 2026-11-27}\n  height and width\n  - [ ] sign the rider\n- [ ] Call @lars\n\n## Texts\nwords\n';

describe('moving', () => {
  it('takes an item with what is under it to the end of another note', () => {
    expect(across({ 'Loans.md': LOANS, 'Old.md': 'words' }, 'Loans.md', 'Weigh', { do: 'move', to: 'Old' })).toEqual({
      'Loans.md': '# Loans\n\n## Crates #loans\n\n- [ ] Call @lars\n\n## Texts\nwords\n',
      'Old.md': 'words\n\n- [ ] Weigh the crate {due 2026-11-27}\n  height and width\n  - [ ] sign the rider',
    });
  });

  it('takes it under a heading, behind the list that stands there', () => {
    const other = '# A\n- [ ] one\n\n## B\n\ntext\n\n# C\n';
    const move = (to: string) => across({ 'Loans.md': LOANS, 'O.md': other }, 'Loans.md', 'Call', { do: 'move', to });
    expect(move('O#A')).toMatchObject({ 'O.md': '# A\n- [ ] one\n- [ ] Call @lars\n\n## B\n\ntext\n\n# C\n' });
    expect(move('O#b')).toMatchObject({ 'O.md': '# A\n- [ ] one\n\n## B\n\ntext\n\n- [ ] Call @lars\n\n# C\n' });
    expect(move('O#C')).toMatchObject({ 'O.md': '# A\n- [ ] one\n\n## B\n\ntext\n\n# C\n- [ ] Call @lars\n' });
    expect(move('[[O#C]]')).toEqual(move('O#C'));
    expect(move('#Texts')).toEqual({
      'Loans.md': LOANS.replace('- [ ] Call @lars\n', '') + '\n- [ ] Call @lars\n',
    });
  });

  it('lifts a nested item out of its indentation, its quote and its tabs', () => {
    const notes = { 'A.md': '> 1. x\n>    - [ ] deep\n>      - [ ] deeper\n\n- y\n\t- [ ] tabbed\n\t\t- [ ] inner\n', 'B.md': '' };
    expect(across(notes, 'A.md', 'deep', { do: 'move', to: 'B' })).toEqual({
      'A.md': '> 1. x\n\n- y\n\t- [ ] tabbed\n\t\t- [ ] inner\n',
      'B.md': '- [ ] deep\n  - [ ] deeper\n',
    });
    expect(across(notes, 'A.md', 'tabbed', { do: 'move', to: 'B' })).toMatchObject({ 'B.md': '- [ ] tabbed\n\t- [ ] inner\n' });
  });

  it('goes into CRLF notes with their endings', () => {
    expect(across({ 'A.md': '- [ ] a\n- [ ] b\n', 'B.md': 'x\r\n' }, 'A.md', 'b', { do: 'move', to: 'B' })).toEqual({
      'A.md': '- [ ] a\n',
      'B.md': 'x\r\n\r\n- [ ] b\r\n',
    });
  });

  it.each([
    ['Nowhere', 'There is no note “Nowhere”, so nothing was changed.'],
    ['O#Nothing', '“O” has no heading “Nothing”, so nothing was changed.'],
    ['Loans', 'It stands in that note already; name a heading to move it under.'],
    ['#Crates #loans', 'It stands there already, so nothing was changed.'],
    ['Fence', 'The place to move to lies inside a code block that is not closed, so nothing was changed.'],
    ['Comment', 'What stands at the end of that place would swallow the task, so nothing was changed.'],
  ])('to %s is refused', (to, reason) => {
    const notes = { 'Loans.md': LOANS, 'O.md': '# A', 'Fence.md': '```\ncode', 'Comment.md': '<!-- open\n' };
    expect(across(notes, 'Loans.md', 'Call', { do: 'move', to })).toBe(reason);
  });
});

describe('archiving', () => {
  it('keeps the heading path, which is made where it is missing', () => {
    const archived = '# Loans\n\n## Crates #loans\n\nfrom [[Loans]], 2026-11-23\n\n- [ ] Call @lars\n';
    expect(across({ 'Loans.md': LOANS, 'Old.md': 'words\n' }, 'Loans.md', 'Call', { do: 'archive', to: 'Old' })).toMatchObject({
      'Old.md': `words\n\n${archived}`,
    });
    expect(across({ 'Loans.md': LOANS, 'Old.md': '# Loans\n' }, 'Loans.md', 'Call', { do: 'archive', to: 'Old' })).toMatchObject({
      'Old.md': '# Loans\n\n## Crates #loans\n\nfrom [[Loans]], 2026-11-23\n\n- [ ] Call @lars\n',
    });
    expect(across({ 'Loans.md': LOANS }, 'Loans.md', 'Call', { do: 'archive', to: 'Closed 2026' })).toMatchObject({
      'Closed 2026.md': `---\nkind: archive\n---\n\n${archived}`,
    });
  });

  it('goes under a heading of the same note with its path below it', () => {
    const result = across({ 'Loans.md': LOANS }, 'Loans.md', 'Call', { do: 'archive', to: '#Closed' });
    expect(result).toEqual({
      'Loans.md': `${LOANS.replace('- [ ] Call @lars\n', '')}\n## Closed\n\n### Loans\n\n#### Crates #loans\n\n- [ ] Call @lars\n`,
    });
  });
});

describe('echoes', () => {
  const notes = { 'A.md': '- [ ] Sign [the] rider #x\n', 'Day.md': '# Today\n- [ ] other\n' };
  const made = across(notes, 'A.md', 'Sign', { do: 'echo', in: 'Day' }) as Record<string, string>;

  it('are made with a ref on the task', () => {
    expect(made).toEqual({
      'A.md': '- [ ] Sign [the] rider #x {ref k3f9qa}\n',
      'Day.md': '# Today\n- [ ] other\n- [ ] [Sign \\[the\\] rider #x](recado:k3f9qa)\n',
    });
  });

  it.each([
    ['A.md', 'Sign'],
    ['Day.md', 'recado:'],
  ])('share one status with it: ticked in %s', (path, words) => {
    expect(across(made, path, words, { do: 'status', status: 'done' })).toEqual({
      'A.md': '- [x] Sign [the] rider #x {ref k3f9qa; done 2026-11-23 09:14}\n',
      'Day.md': '# Today\n- [ ] other\n- [x] [Sign \\[the\\] rider #x](recado:k3f9qa)\n',
    });
  });

  it('whose task is gone is a task of its own', () => {
    expect(across({ 'Day.md': made['Day.md'] ?? '' }, 'Day.md', 'recado:', { do: 'status', status: 'cancelled' })).toMatchObject({
      'Day.md': expect.stringContaining('- [-] [Sign') as string,
    });
  });
});

it('swaps the days of two tasks, also of two notes', () => {
  const notes = {
    'A.md': '- [ ] a {plan 2026-11-24 09:00; due 2026-12-01}\n',
    'B.md': '- [ ] b {plan 2026-11-23}\n- [ ] c\n- [ ] d {due 2026-11-27}\n',
  };
  const swap = (words: string, line: number, expected: string) =>
    across(notes, words === 'a' ? 'A.md' : 'B.md', words, { do: 'swap', with: { path: 'B.md', line, expected } });
  expect(swap('a', 0, '- [ ] b {plan 2026-11-23}')).toEqual({
    'A.md': '- [ ] a {plan 2026-11-23; due 2026-12-01}\n',
    'B.md': '- [ ] b {plan 2026-11-24 09:00; pushed 2026-11-23}\n- [ ] c\n- [ ] d {due 2026-11-27}\n',
  });
  expect(swap('c', 2, '- [ ] d {due 2026-11-27}')).toEqual({ 'B.md': '- [ ] b {plan 2026-11-23}\n- [ ] c {due 2026-11-27}\n- [ ] d\n' });
  expect(swap('c', 1, '- [ ] c')).toBe('Neither of the two tasks has a day, so nothing was changed.');
});

it('makes refs of six signs that nobody has', () => {
  let state = 1;
  const random = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
  const make = refMaker((ref) => ref.startsWith('a'), random);
  const made = new Set(Array.from({ length: 200 }, make));
  expect(made.size).toBe(200);
  for (const ref of made) expect(ref).toMatch(/^(?!a)(?!\d+$)[a-z0-9]{6}$/);
});

const LINE = fc.constantFrom(
  '- [ ] a {due 2026-11-20; every fri x2}',
  '  - [x] b {done 2026-11-20; ref p2x7ab}',
  '- [_] c #x @y {high; odd words}',
  '  text of it',
  '',
  '# Heading',
  '## Other #x',
  '> - [ ] quoted',
  '1. [ ] one',
  '```',
  '\t- [ ] tab {plan 2026-W48}',
  '- [ ] [a](recado:p2x7ab)',
  '---',
);
const INTENTION = fc.constantFrom<WideIntention>(
  { do: 'status', status: 'done', steps: 'close' },
  { do: 'status', status: 'cancelled', remark: 'why', steps: 'out' },
  { do: 'status', status: 'todo' },
  { do: 'cycle' },
  { do: 'end' },
  { do: 'set', clause: 'due next fri' },
  { do: 'set', clause: 'every 2 weeks' },
  { do: 'unset', clause: 'due' },
  { do: 'raise' },
  { do: 'push', to: '2 weeks' },
  { do: 'rest', until: 'a month' },
  { do: 'tag', name: 'new' },
  { do: 'untag', name: 'x' },
  { do: 'reword', text: 'other words' },
  { do: 'convert' },
  { do: 'duplicate' },
  { do: 'sink' },
  { do: 'sweep' },
  { do: 'reset', dates: 'clear' },
  { do: 'ref' },
  { do: 'move', to: 'Other' },
  { do: 'move', to: '#Heading' },
  { do: 'archive', to: 'Other' },
  { do: 'archive', to: '#Away' },
  { do: 'echo', in: 'Other' },
);
const TEXT = fc
  .tuple(fc.boolean(), fc.array(fc.tuple(LINE, fc.constantFrom('\n', '\r\n', '\n', '\r')), { minLength: 1, maxLength: 9 }), fc.boolean())
  .map(([mark, lines, open]) => {
    const text = lines.map(([line, ending]) => line + ending).join('');
    return (mark ? '\ufeff' : '') + (open ? text.replace(/\r?\n$|\r$/, '') : text);
  });

describe('laws of every action', () => {
  it('an action and its inverse give the same bytes; lines it does not name stay; no task gets lost', () => {
    fc.assert(
      fc.property(TEXT, TEXT, fc.nat(9), INTENTION, (text, other, pick, intention) => {
        const notes = [
          { path: 'A.md', text },
          { path: 'Other.md', text: other },
        ];
        const lines = text.replace(/^\ufeff/, '').split(/\r\n|\r|\n/);
        const line = pick % lines.length;
        const outcome = actAcross(shelfOf(notes), { path: 'A.md', line, expected: lines[line] ?? '' }, intention, CONTEXT);
        if ('refused' in outcome) return;
        const textOf = (path: string): string => notes.find((note) => note.path === path)?.text ?? '';
        for (const file of outcome.files) {
          const before = textOf(file.path);
          expect(applyChanges(before, file.changes)).toBe(file.text);
          expect(applyChanges(file.text, inverseChanges(before, file.changes))).toBe(before);
          expect(file.text.startsWith('\ufeff')).toBe(before.startsWith('\ufeff'));
        }
        const count = (one: string): number => readNote('', one).tasks.length;
        const now = (path: string): string => outcome.files.find((file) => file.path === path)?.text ?? textOf(path);
        const tasks = count(now('A.md')) + count(now('Other.md'));
        const atFirst = count(text) + count(other);
        if (intention.do !== 'convert') expect(tasks).toBeGreaterThanOrEqual(atFirst);
        if (/move|archive|sink|sweep|set|raise|push|rest|tag|reword|ref|reset/.test(intention.do)) expect(tasks).toBe(atFirst);
      }),
      { numRuns: runs(3000), seed: 20261123 },
    );
  });
});
