import { readIsoDay } from '../../core/calendar/day';
import { readTail } from '../../core/task/line/tail';
import { type ChipContext, chipsOf } from './chip-look';
import { markClass, markLabel, markShapes } from './mark-shapes';

const context: ChipContext = { today: readIsoDay('2026-11-23') ?? 0, style: 'words', open: true, restsUntil: null };
const shown = (tail: string, where: 'list' | 'note', change: Partial<ChipContext> = {}): string[] =>
  chipsOf(readTail(`a {${tail}}`, 0), { ...context, ...change }, where).map((chip) =>
    [chip.word, chip.value, chip.tone === 'plain' ? '' : `(${chip.tone})`].filter(Boolean).join(' '),
  );

describe('chips', () => {
  it.each([
    ['due 2026-11-20', 'due Fri 20 (late)'],
    ['due 2026-11-23', 'due today (today)'],
    ['due 2026-11-27 15:00', 'due Fri 27 15:00'],
    ['plan 2026-11-23 09:00', 'plan today 09:00 (today)'],
    ['plan 2026-W48', 'plan this week'],
    ['plan 2026-W49', 'plan next week'],
    ['plan 2026-W52', 'plan week 52'],
    ['plan 2026-12', 'plan Dec 2026'],
    ['takes 90m', 'takes 1h 30'],
    ['every month on last fri', 'every month on last fri'],
    ['owner @kofi', 'owner @kofi'],
  ])('%s reads as %s', (tail, words) => expect(shown(tail, 'list')).toEqual([words]));

  it('a closed task is neither late nor due today', () => {
    expect(shown('due 2026-11-20; plan 2026-11-23', 'list', { open: false })).toEqual(['due Fri 20', 'plan today']);
  });

  it('a list leaves out what does not help to choose; the note shows it', () => {
    expect(shown('top; made 2026-11-20; ref k3f9qa; since 2026-11-19; odd', 'list')).toEqual([]);
    expect(shown('top; made 2026-11-20; ref k3f9qa; odd thing', 'note')).toEqual(['made Fri 20', 'ref k3f9qa', 'odd thing']);
  });

  it('say until when a task rests', () => {
    expect(shown('start 2026-12-01', 'list', { restsUntil: readIsoDay('2026-12-01') })).toEqual(['rests until Tue 1 Dec']);
    expect(shown('start 2026-11-01', 'list')).toEqual([]);
  });

  it('follow the setting for dates', () => {
    expect(shown('due 2026-11-27', 'list', { style: 'iso' })).toEqual(['due 2026-11-27']);
  });

  it('bear the problem that is told at their place', () => {
    const tail = readTail('a {every mon; top}', 0);
    const problems = [{ message: 'needs a date', from: 3 }];
    expect(chipsOf(tail, { ...context, problems }, 'note')[0]?.problem).toBe('needs a date');
  });
});

describe('the task mark', () => {
  const look = { status: 'todo', priority: null, late: false, resting: false } as const;
  it('differs in shape for each status and each priority, not by colour alone', () => {
    const shapes = [
      ...(['todo', 'underway', 'waiting', 'done', 'cancelled'] as const).map((status) => markShapes({ ...look, status })),
      ...(['top', 'high', 'low'] as const).map((priority) => markShapes({ ...look, priority })),
    ].map((shape) => JSON.stringify(shape));
    expect(new Set(shapes).size).toBe(shapes.length);
  });

  it('says what it shows', () => {
    expect(markLabel({ status: 'underway', priority: 'high', late: true, resting: false })).toBe('Under way, high, late');
    expect(markClass({ ...look, late: true, resting: false })).toContain('task-mark-late');
  });
});
