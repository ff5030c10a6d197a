import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { isoDay, readIsoDay, weekdayOf } from '../../../core/calendar/day';
import { readNote } from '../../../core/task/reading/read-note';
import { readSimpleYaml } from '../../../core/note/facts/front-matter';
import { parseGather } from '../../../core/gather/language/parse';
import { STATUSES } from '../../../core/task/line/status';
import { DEMO_DAY, shiftDemo } from './shift-demo';

const root = path.join(process.cwd(), 'demo');
const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.md'));
const notes = files.map((file) => readNote(file, readFileSync(path.join(root, file), 'utf8')));
const tasks = notes.flatMap((note) => note.tasks);

describe('the demo', () => {
  it('has at least 40 notes and 150 tasks, of every status, late and to come, nested, repeating', () => {
    expect(notes.length).toBeGreaterThanOrEqual(40);
    expect(tasks.length).toBeGreaterThanOrEqual(150);
    for (const status of STATUSES) expect(tasks.some((task) => task.status === status)).toBe(true);
    expect(tasks.some((task) => task.due !== null && task.due.from < DEMO_DAY && task.status === 'todo')).toBe(true);
    expect(tasks.some((task) => task.due !== null && task.due.from > DEMO_DAY + 30)).toBe(true);
    expect(tasks.filter((task) => task.parent !== -1).length).toBeGreaterThan(5);
    expect(tasks.filter((task) => task.every !== null).length).toBeGreaterThan(5);
    expect(notes.filter((note) => note.gathers.length > 0).length).toBeGreaterThan(2);
  });

  it('needs no library for its front matter, which would be a tenth more to load at first', () => {
    const fronts = files.flatMap((file) => /^---\n([\s\S]*?)\n---/.exec(readFileSync(path.join(root, file), 'utf8'))?.[1] ?? []);
    expect(fronts.filter((front) => readSimpleYaml(front.split('\n')) === null)).toEqual([]);
  });

  it('has no line with a problem', () => {
    expect(tasks.flatMap((task) => task.problems.map((problem) => `${task.raw}: ${problem.message}`))).toEqual([]);
    // Those of templates are filled in first.
    const asked = notes.filter(({ front }) => front.kind !== 'template');
    expect(asked.flatMap((note) => note.gathers.flatMap(({ text }) => parseGather(text).errors))).toEqual([]);
  });
});

describe('moving the demo to another day', () => {
  it.each([
    ['{due 2026-11-27}', 1, '{due 2026-11-30}'],
    ['{due 2026-11-24; plan 2026-11-20}', 5, '{due 2026-11-30; plan 2026-11-27}'],
    ['{due 2026-11-22; plan 2026-11-28}', 4, '{due 2026-11-22; plan 2026-12-05}'],
    ['Journal/2026-11-23.md', 40, 'Journal/2027-01-02.md'],
    ['{plan 2026-W49}', 14, '{plan 2026-W51}'],
    ['{plan 2026-12; high}', 40, '{plan 2027-01; high}'],
    ['{due 2026-11-27; every fri}', 3, '{due 2026-11-27; every fri}'],
    ['{due 2026-11-27; every fri}', 5, '{due 2026-12-04; every fri}'],
    ['12.5 in 2026 and 2026-13-40', 9, '12.5 in 2026 and 2026-13-40'],
  ])('%s, %i days on: %s', (text, days, expected) => expect(shiftDemo(text, DEMO_DAY + days)).toBe(expected));

  it('keeps working days working days, in their order, and every day its own page', () => {
    const days = Array.from({ length: 120 }, (_, index) => DEMO_DAY - 60 + index);
    const isWorking = (day: number): boolean => weekdayOf(day) < 6;
    for (let shift = 0; shift < 21; shift++) {
      const today = DEMO_DAY + shift;
      const moved = days.map((day) => readIsoDay(shiftDemo(isoDay(day), today)) ?? 0);
      const working = moved.filter((_, index) => isWorking(days[index] ?? 0) && days[index] !== DEMO_DAY);
      expect(working.filter((day) => !isWorking(day))).toEqual([]);
      expect(working.toSorted((a, b) => a - b)).toEqual(working);
      expect(moved[60]).toBe(today);
      expect(moved.filter((day, index) => day < today !== (days[index] ?? 0) < DEMO_DAY)).toEqual([]);
      expect(new Set(files.map((file) => shiftDemo(file, today))).size).toBe(files.length);
    }
  });

  it('leaves a weekly task on its weekday, and every text on its own day as it was', () => {
    for (let days = 0; days < 14; days++) {
      const day = readIsoDay(/\d{4}-\d{2}-\d{2}/.exec(shiftDemo('{due 2026-11-27; every fri}', DEMO_DAY + days))?.[0] ?? '');
      expect(weekdayOf(day ?? 0)).toBe(5);
    }
    for (const file of files) expect(shiftDemo(file, DEMO_DAY)).toBe(file);
    expect(isoDay(DEMO_DAY)).toBe('2026-11-23');
  });
});
