import { type RingMemory, later, putOff, readRings, toldAt, withReminders, withoutRings } from './ringing';

const at = (minute: number, day = 100) => ({ day, minute });
const reminder = (text: string, minute: number) => ({
  at: at(minute),
  why: 'remind' as const,
  path: 'A.md',
  line: 0,
  text,
  raw: `- [ ] ${text}`,
});
const EMPTY: RingMemory = { last: at(0), rings: [] };

describe('reminders that ring', () => {
  const two = withReminders(EMPTY, [reminder('a', 540), reminder('b', 550)], at(555));

  it('come once, and the moment until which it was looked is kept', () => {
    expect(two.last).toEqual(at(555));
    expect(withReminders(two, [reminder('b', 550), reminder('c', 556)], at(556)).rings.map(({ text }) => text)).toEqual(['a', 'b', 'c']);
  });

  it('are told from their time on, and when they were put off from then on', () => {
    const [first] = two.rings;
    expect(toldAt(two, at(545)).map(({ text }) => text)).toEqual(['a']);
    const off = putOff(two, first?.id ?? '', at(600));
    expect(toldAt(off, at(599)).map(({ text }) => text)).toEqual(['b']);
    expect(toldAt(off, at(600)).map(({ text }) => text)).toEqual(['a', 'b']);
    expect(toldAt(off, at(0, 101)).length).toBe(2);
  });

  it('go when they are answered', () => {
    expect(withoutRings(two, new Set([two.rings[1]?.id ?? ''])).rings.map(({ text }) => text)).toEqual(['a']);
  });

  it.each([null, 7, { last: { day: 'x' }, rings: [] }, { last: at(1), rings: [{}] }])('of %j are none, from now on', (value) => {
    expect(readRings(value, at(5))).toEqual({ last: at(5), rings: [] });
  });

  it('read back as they were kept', () => {
    expect(readRings(JSON.parse(JSON.stringify(two)), at(1))).toEqual(two);
  });

  it.each([
    [at(540), 10, at(550)],
    [at(1435), 10, at(5, 101)],
    [at(540), 1440, at(540, 101)],
  ])('%j and %d minutes', (from, minutes, then) => expect(later(from, minutes)).toEqual(then));
});
