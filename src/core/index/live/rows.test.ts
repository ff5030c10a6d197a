import fc from 'fast-check';
import { tagWithUppers } from '../../note/names/names';
import { readNote } from '../../task/reading/read-note';
import { isOpen } from '../../task/line/status';
import type { Task } from '../../task/line/task';
import { Library, type LibrarySettings } from '../library';
import type { Row } from '../../gather/rows/row';
import { runs } from '../../testing/test-runs';

const SETTINGS: LibrarySettings = { today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 };

const LINE = fc.constantFrom(
  '# Loans #loans',
  '## Texts @noor',
  '',
  'words between',
  '- plain #build',
  '- [ ] ask @ilse {due 2026-11-27; takes 30m}',
  '- [x] photographs {done 2026-11-20; plan 2026-11-20}',
  '  - [ ] lux limit #place/archive {start 2026-12-24}',
  '    - [-] lamps',
  '  - [_] deeper [[Cabinet of Gales]] {plan 2026-11-23 09:00; high}',
  '- [:] rider {owner @kofi; asked bea; pushed 2026-11-01, 2026-11-02}',
  '- [ ] keys #Loans {every week on fri; due 2026-11-27}',
  '> - [ ] quoted {low}',
  '- [ ] [ask](recado:k3f9qa)',
  '- [ ] named {ref k3f9qa}',
  '- point {key}',
);
const FRONT = fc.constantFrom(
  '',
  '---\ntags: [exhibition]\nabout: "[[Salt]]"\n---\n',
  '---\nkind: person\nhandle: Kofi\n---\n',
  '---\nkind: archive\n---\n',
);
const TEXT = fc.tuple(FRONT, fc.array(LINE, { maxLength: 12 })).map(([front, lines]) => front + lines.join('\n'));
const CHANGES = fc.array(fc.record({ path: fc.constantFrom('A.md', 'Journal/2026-11-23.md', 'C.md'), text: fc.option(TEXT) }), {
  minLength: 1,
  maxLength: 8,
});

function changed(changes: readonly { path: string; text: string | null }[]): { library: Library; texts: Map<string, string> } {
  const library = new Library(SETTINGS);
  const texts = new Map<string, string>();
  for (const change of changes) {
    // What is asked in between makes rows that the next change must let go.
    library.ask('open or closed\nincluding resting\nlimit 2');
    library.apply([change]);
    if (change.text === null) texts.delete(change.path);
    else texts.set(change.path, change.text);
  }
  return { library, texts };
}

const fields = (task: Omit<Task, 'links' | 'problems' | 'item' | 'markerFrom' | 'say' | 'unsay'>): unknown => {
  const { raw, text, boxFrom, tailFrom, sign, status, line, depth, priority, takes, due, plan, start, done, tags, people } = task;
  const { headings, inheritedTags, inheritedPeople, inheritedLinks, every, owner, asked, ref, pushed, key } = task;
  return [
    ...[raw, text, boxFrom, tailFrom, sign, status, line, depth, priority, takes, due, plan, start, done, tags, people],
    ...[headings, inheritedTags, inheritedPeople, inheritedLinks, every, owner, asked, ref, pushed, key],
  ];
};

const isUnder = (tasks: readonly Task[], task: Task, index: number): boolean => {
  for (let up = task.parent; up !== -1; up = tasks[up]?.parent ?? -1) if (up === index) return true;
  return false;
};

describe('the rows that are made when they are asked for', () => {
  it('say what reading their notes says, whatever was read, asked and changed before', () => {
    fc.assert(
      fc.property(CHANGES, (changes) => {
        const { library, texts } = changed(changes);
        const rows = [...library.rows()];
        const expected = [...texts].flatMap(([path, text]) =>
          readNote(path, text).tasks.map((task, index, tasks) => ({ path, task, index, tasks })),
        );
        const place = (path: string, index: number): string => `${path} ${index}`;
        const byPlace = new Map(rows.map((row) => [place(row.head.path, row.index), row]));
        expect(byPlace.size).toBe(expected.length);
        expect(rows).toHaveLength(expected.length);
        for (const { path, task, index, tasks } of expected) {
          const row = byPlace.get(place(path, index));
          if (!row) throw new Error('every task has a row');
          expect(fields(row.task)).toEqual(fields(task));
          expect(row.parent).toBe(task.parent === -1 ? null : byPlace.get(place(path, task.parent)));
          const steps = tasks.filter((one) => one.status !== 'cancelled' && isUnder(tasks, one, index));
          expect([row.steps, row.stepsDone]).toEqual([steps.length, steps.filter((one) => one.status === 'done').length]);
          expect([...row.tags].sort()).toEqual([...new Set([...task.tags, ...task.inheritedTags].flatMap(tagWithUppers))].sort());
        }
      }),
      { numRuns: runs(400), seed: 20261123 },
    );
  });

  it('are the same object each time, and stay readable when their note is gone', () => {
    const library = new Library(SETTINGS);
    library.apply([{ path: 'A.md', text: '- [ ] ask\n  - [ ] lux {due 2026-11-27}' }]);
    const [ask, lux] = [...library.rows()] as [Row, Row];
    expect([...library.rows()]).toEqual([ask, lux]);
    expect([...library.rows()][1]).toBe(lux);
    expect(lux.parent).toBe(ask);
    library.apply([{ path: 'A.md', text: null }]);
    expect([lux.slot, lux.task.text, lux.task.due?.from]).toEqual([-1, 'lux', 20784]);
    library.apply([{ path: 'B.md', text: '- [x] other' }]);
    expect([...library.rows()].map((row) => row.task.text)).toEqual(['other']);
  });
});

describe('the number of a task', () => {
  it('is its own, and stays the same while lines come and go around it', () => {
    fc.assert(
      fc.property(CHANGES, (changes) => {
        const library = new Library(SETTINGS);
        /** The numbers of the lines that stand in a note once. */
        const known = (path: string): Map<string, number> => {
          const rows = [...library.rows()].filter((row) => row.head.path === path);
          const once = rows.filter(({ task }) => rows.filter((row) => row.task.raw === task.raw).length === 1);
          return new Map(once.map(({ task, life }) => [task.raw, life]));
        };
        for (const change of changes) {
          const before = known(change.path);
          library.apply([change]);
          const lives = [...library.rows()].map(({ life }) => life);
          expect(lives.every((life) => life > 0)).toBe(true);
          expect(new Set(lives).size).toBe(lives.length);
          for (const [raw, life] of known(change.path)) if (before.has(raw)) expect(life).toBe(before.get(raw));
        }
      }),
      { numRuns: runs(300), seed: 20261130 },
    );
  });

  it('is the key of its row, also once it was ticked and reworded', () => {
    const library = new Library(SETTINGS);
    library.apply([{ path: 'A.md', text: '- [ ] ask\n- [ ] lux {due 2026-11-27}' }]);
    library.subscribe('all', 'open or done', null);
    const keys = (): Record<string, string> =>
      Object.fromEntries(library.answer('all')?.groups.flatMap(({ rows }) => rows.map(({ text, key }) => [text, key])) ?? []);
    const { ask = '', lux = '' } = keys();
    library.apply([{ path: 'A.md', text: '- [ ] new\n- [ ] ask\n- [x] lux {done 2026-11-23}' }]);
    expect(keys()).toEqual({ ask, lux, new: expect.not.stringMatching(`^(?:${ask}|${lux})$`) as string });
    library.apply([{ path: 'A.md', text: '- [ ] new\n- [ ] ask Kofi\n- [x] lux {done 2026-11-23}' }]);
    expect(keys()).toMatchObject({ 'ask Kofi': ask, lux });
  });
});

describe('the counts of the whole', () => {
  it('are those of the tasks that are there, whatever came and went', () => {
    fc.assert(
      fc.property(CHANGES, (changes) => {
        const { library } = changed(changes);
        const counted = [...library.rows()].filter((row) => row.head.kind !== 'archive' && row.echo === null);
        const open = counted.filter((row) => isOpen(row.task.status));
        const count = (names: readonly string[]): Record<string, number> => {
          const counts: Record<string, number> = {};
          for (const name of names) counts[name] = (counts[name] ?? 0) + 1;
          return counts;
        };
        expect(library.total.open).toBe(open.length);
        expect(Object.fromEntries(library.total.tags)).toEqual(count(open.flatMap((row) => [...row.tags])));
        expect(Object.fromEntries(library.total.people)).toEqual(count(open.flatMap((row) => [...row.people])));
        const due = count(open.flatMap((row) => (row.task.due ? [String(row.task.due.from)] : [])));
        for (const [day, tally] of library.total.days) expect(tally.due).toBe(due[day] ?? 0);
        expect([...library.total.days.values()].reduce((sum, day) => sum + day.due, 0)).toBe(Object.values(due).reduce((a, b) => a + b, 0));
      }),
      { numRuns: runs(400), seed: 20261124 },
    );
  });

  it('of an agenda page are those of its gathers, counted by the table or row by row', () => {
    fc.assert(
      fc.property(
        CHANGES,
        fc.constantFrom('late', '#loans and open', '@kofi', 'waiting or underway', 'resting', 'open'),
        (changes, gather) => {
          const { library, texts } = changed(changes);
          library.countPage('Page.md', [gather, 'priority >= high']);
          const atOnce = library.pageCounts['Page.md'];
          for (const [path, text] of texts) library.apply([{ path, text }]);
          expect(library.pageCounts['Page.md']).toBe(atOnce);
          const shown = new Set(
            [gather, 'priority >= high'].flatMap((text) =>
              library.ask(`${text}\nsteps apart`).answer.groups.flatMap((group) => group.rows.map(({ row }) => row)),
            ),
          );
          expect(atOnce).toBe([...shown].filter((row) => isOpen(row.task.status)).length);
        },
      ),
      { numRuns: runs(300), seed: 20261125 },
    );
  });
});
