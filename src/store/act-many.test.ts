import { readIsoDay } from '../core/calendar/day';
import { ACTION_DEFAULTS, type ActionContext } from '../core/task/action-context';
import type { WideIntention } from '../core/task/intention';
import { type ManyOutcome, actOnLines } from './act-many';

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
  return actOnLines(stored, tasks, CONTEXT);
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
    const outcome = await actOnLines([{ path: 'A.md', text }], tasks, CONTEXT, async (count) => told.push(count) === 2);
    expect(told).toEqual([40, 80]);
    expect(outcome.changed).toBe(80);
    expect(textOf(outcome, 'A.md')?.match(/\{high\}/g)).toHaveLength(80);
  });
});
