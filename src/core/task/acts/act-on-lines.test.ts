import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { shelfOf } from '../../index/live/shelf';
import { ACTION_DEFAULTS, type ActionContext } from './action-context';
import type { WideIntention } from './intention';
import { type ManyOutcome, actOnLines } from './act-on-lines';
import { runs } from '../../testing/test-runs';

const CONTEXT: ActionContext = {
  now: { day: readIsoDay('2026-11-23') ?? 0, minute: 9 * 60 + 20 },
  settings: ACTION_DEFAULTS,
  makeRef: () => 'k3f9qa',
};

/** Does intentions to the lines that begin with a letter each, such as `A:1`. */
async function done(notes: Record<string, string>, lines: readonly [path: string, line: number][], ...intentions: WideIntention[]) {
  const stored = Object.entries(notes).map(([path, text]) => ({ path, text }));
  const tasks = lines.map(([path, line]) => ({
    ref: { path, line, expected: notes[path]?.split('\n')[line] ?? 'not there' },
    intentions,
  }));
  return actOnLines(shelfOf(stored), tasks, CONTEXT);
}

const textOf = ({ texts }: ManyOutcome, path: string): string | undefined => texts.get(path.toLowerCase())?.text;

describe('acting on many lines', () => {
  it('does several things to each, one after the other', async () => {
    const outcome = await done(
      { 'A.md': '- [ ] a\n- [ ] b', 'B.md': '- [ ] c' },
      [
        ['A.md', 0],
        ['B.md', 0],
      ],
      { do: 'tag', name: '#loans' },
      { do: 'priority', priority: 'high' },
    );
    expect(textOf(outcome, 'A.md')).toBe('- [ ] a #loans {high}\n- [ ] b');
    expect(textOf(outcome, 'B.md')).toBe('- [ ] c #loans {high}');
    expect(outcome.raws).toEqual(['- [ ] a #loans {high}', '- [ ] c #loans {high}']);
    expect(outcome.changed).toBe(2);
  });

  it('leaves a line as it was when the second thing is refused, and goes on with the others', async () => {
    const outcome = await done(
      { 'A.md': '- [ ] a\n- [ ] b\n- [ ] c' },
      [
        ['A.md', 0],
        ['A.md', 7],
        ['A.md', 2],
      ],
      { do: 'tag', name: '#loans' },
    );
    expect(textOf(outcome, 'A.md')).toBe('- [ ] a #loans\n- [ ] b\n- [ ] c #loans');
    expect(outcome.refused).toHaveLength(1);
    expect(outcome.raws[1]).toBeNull();
    const half = await done({ 'A.md': '- [ ] a' }, [['A.md', 0]], { do: 'tag', name: '#loans' }, { do: 'set', clause: 'due nonsense' });
    expect(half.texts.size).toBe(0);
    expect(half.changed).toBe(0);
    expect(half.refused).toHaveLength(1);
  });

  it('lines that grow do not move those still to come', async () => {
    const text = '- [ ] a {plan 2026-11-23; every day}\n- [ ] b {plan 2026-11-23; every day}\n- [ ] c';
    const outcome = await done(
      { 'A.md': text },
      [
        ['A.md', 0],
        ['A.md', 1],
        ['A.md', 2],
      ],
      { do: 'status', status: 'done' },
    );
    expect(outcome.refused).toEqual([]);
    expect(textOf(outcome, 'A.md')?.match(/^- \[x\]/gm)).toHaveLength(3);
    expect(textOf(outcome, 'A.md')?.match(/^- \[ \]/gm)).toHaveLength(2);
  });

  it('moves lines of one note in their order', async () => {
    const outcome = await done(
      { 'A.md': '- [ ] a\n  - [ ] a1\n- [ ] b\n- [ ] c', 'B.md': '- [ ] z\n' },
      [
        ['A.md', 3],
        ['A.md', 0],
      ],
      { do: 'move', to: 'B.md' },
    );
    expect(outcome.refused).toEqual([]);
    expect(textOf(outcome, 'A.md')?.trim()).toBe('- [ ] b');
    expect(textOf(outcome, 'B.md')?.trim()).toBe('- [ ] z\n- [ ] a\n  - [ ] a1\n- [ ] c');
  });

  it('tells how far it is, and stops when it is told to', async () => {
    const text = Array.from({ length: 100 }, (_, index) => `- [ ] task ${index}`).join('\n');
    const tasks = Array.from({ length: 100 }, (_, line) => ({
      ref: { path: 'A.md', line, expected: `- [ ] task ${line}` },
      intentions: [{ do: 'priority', priority: 'high' } as const],
    }));
    const told: number[] = [];
    const outcome = await actOnLines(shelfOf([{ path: 'A.md', text }]), tasks, CONTEXT, async (count) => told.push(count) === 2);
    expect(told).toEqual([40, 80]);
    expect(outcome.changed).toBe(80);
    expect(textOf(outcome, 'A.md')?.match(/\{high\}/g)).toHaveLength(80);
  });
});

describe('many lines in one reading of their notes', () => {
  const line = fc.constantFrom(
    '- [ ] plain #x @kofi',
    '  - [ ] step {due 2026-11-24}',
    '- [ ] daily {plan 2026-11-23; every day}',
    '  - [x] step of it {done 2026-11-22}',
    '1. [ ] numbered {due 2026-11-20; every week}',
    '2. [:] waits {since 2026-11-20}',
    '- [ ] named {ref k3f9qa; due 2026-11-20}',
    '- [ ] [named](recado:k3f9qa)',
    '- [x] done {done 2026-11-20; high}',
    'words',
    '',
  );
  const intention = fc.constantFrom<WideIntention>(
    { do: 'status', status: 'done' },
    { do: 'status', status: 'done', steps: 'close' },
    { do: 'status', status: 'cancelled', remark: 'not needed' },
    { do: 'status', status: 'todo' },
    { do: 'cycle' },
    { do: 'raise' },
    { do: 'push', to: 'tomorrow' },
    { do: 'push', to: '3 days' },
    { do: 'set', clause: 'takes 1h' },
    { do: 'unset', clause: 'due' },
    { do: 'tag', name: '#loans' },
    { do: 'untag', name: '@kofi' },
    { do: 'reword', text: 'other words' },
  );

  it('comes to the same as one after the other, from the foot upwards', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(line, { minLength: 1, maxLength: 14 }),
        fc.array(line, { maxLength: 4 }),
        fc.array(intention, { minLength: 1, maxLength: 2 }),
        fc.array(fc.boolean(), { minLength: 14, maxLength: 14 }),
        async (a, b, intentions, chosen) => {
          const notes = [
            { path: 'A.md', text: a.join('\n') },
            { path: 'B.md', text: b.join('\n') },
          ];
          // Where a line stands twice, an action that finds it moved rightly refuses.
          const unique = (at: number): boolean => a.indexOf(a[at] ?? '') === a.lastIndexOf(a[at] ?? '');
          const lines = a.map((_, index) => index).filter((index) => chosen[index] && unique(index));
          const tasks = lines.map((at) => ({ ref: { path: 'A.md', line: at, expected: a[at] ?? '' }, intentions }));
          const together = await actOnLines(shelfOf(notes), tasks, CONTEXT);
          const texts = new Map(notes.map((note) => [note.path, note.text]));
          let changed = 0;
          for (const task of tasks.toReversed()) {
            const one = await actOnLines(shelfOf([...texts].map(([path, text]) => ({ path, text }))), [task], CONTEXT);
            changed += one.changed;
            for (const { path, text } of one.texts.values()) texts.set(path, text);
          }
          const after = notes.map(({ path, text }) => together.texts.get(path.toLowerCase())?.text ?? text);
          // A line that another of them changed already is found anew there, and not here: echoes are the one such case.
          if (!a.some((words) => words.includes('recado:'))) expect(after).toEqual([...texts.values()]);
          if (!a.some((words) => words.includes('recado:'))) expect(together.changed).toBe(changed);
        },
      ),
      { numRuns: runs(400), seed: 20261127 },
    );
  });

  const FROM = 'from [[A]], 2026-11-23\n\n';

  it('moves many to an archive as one after the other would, each under its headings and where it came from', async () => {
    const text = '# Loans\n- [x] a\n  words\n- [x] b\n\n## Crates\n- [x] c\n  - [x] step\n- [ ] d\n\n# Lamps\n- [x] e';
    const all: [string, number][] = [1, 3, 6, 7, 11].map((at) => ['A.md', at]);
    const outcome = await done({ 'A.md': text }, all, { do: 'archive', to: 'Archive/2026' });
    expect(outcome.refused).toEqual([]);
    expect(outcome.changed).toBe(5);
    expect(textOf(outcome, 'A.md')).toBe('# Loans\n\n## Crates\n- [ ] d\n\n# Lamps');
    expect(textOf(outcome, 'Archive/2026.md')).toBe(
      `---\nkind: archive\n---\n\n# Loans\n\n${FROM}- [x] a\n  words\n- [x] b\n\n## Crates\n\n${FROM}- [x] c\n  - [x] step\n\n# Lamps\n\n${FROM}- [x] e\n`,
    );
    const one = await done({ 'A.md': '# Loans\n- [x] a' }, [['A.md', 1]], { do: 'archive', to: '../outside' });
    expect(one).toMatchObject({ changed: 0, refused: [{ reason: expect.stringContaining('no note') as string }] });
  });

  it('never takes anything out that could not be put there', async () => {
    const notes = [
      { path: 'A.md', text: '- [x] a\n- [x] b' },
      { path: 'Old.md', text: null },
      { path: 'Open.md', text: '```\ncode' },
    ];
    const tasks = [0, 1].map((at) => ({ ref: { path: 'A.md', line: at, expected: `- [x] ${'ab'[at]}` } }));
    for (const to of ['Old', 'Open', '../Old', 'a|b']) {
      const outcome = await actOnLines(
        shelfOf(notes),
        tasks.map(({ ref }) => ({ ref, intentions: [{ do: 'archive', to }] })),
        CONTEXT,
      );
      expect(outcome.refused).toHaveLength(2);
      expect(outcome.texts.size).toBe(0);
    }
  });
});
