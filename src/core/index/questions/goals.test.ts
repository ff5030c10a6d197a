import { readIsoDay } from '../../calendar/day';
import { Library } from '../library';
import { goalsIn, goalsServed } from './goals';

const TODAY = readIsoDay('2026-11-27') ?? 0;

test('a goal is served by link, by about and by what stands in it; what moved is counted by weeks', () => {
  const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
  library.apply([
    {
      path: 'Goals/Fewer objects.md',
      text: '---\nkind: goal\nlevel: season\ndue: 2027-02-28\noutcome: better told\n---\n- [ ] Pick three {high}\n- [x] Count them {done 2026-11-24}\n',
    },
    {
      path: 'Projects/Catalogue.md',
      text: '---\nkind: project\nabout: "[[Fewer objects]]"\n---\n- [ ] Essay\n- [x] Paper {done 2026-11-17}\n',
    },
    { path: 'Rounds.md', text: '- [ ] Weed out one for [[Fewer objects]] {due 2026-11-30; every week; top}\n' },
    // Two goals that serve each other go round in a circle, and nothing else does.
    { path: 'Goals/A.md', text: '---\nkind: goal\nabout: "[[B]]"\n---\n' },
    { path: 'Goals/B.md', text: '---\nkind: goal\nabout: "[[A]]"\n---\n' },
  ]);
  const [a, b, fewer] = goalsIn(library);
  expect(fewer).toEqual({
    path: 'Goals/Fewer objects.md',
    title: 'Fewer objects',
    level: 'season',
    state: 'active',
    outcome: 'better told',
    due: readIsoDay('2027-02-28'),
    serving: [{ path: 'Projects/Catalogue.md', title: 'Catalogue', kind: 'project', state: 'active', open: 1, done: 1, all: 2 }],
    open: 3,
    done: 2,
    repeats: [expect.objectContaining({ text: 'Weed out one for [[Fewer objects]]', planned: 0, kept: 0 }) as unknown],
    next: expect.objectContaining({ text: 'Pick three' }) as unknown,
    weeks: [0, 0, 0, 0, 1, 1],
  });
  expect(goalsServed(library, 'Projects/Catalogue.md', 4).map(({ title }) => title)).toEqual(['Fewer objects']);
  expect(goalsServed(library, 'Goals/Fewer objects.md', 6).map(({ title }) => title)).toEqual(['Fewer objects']);
  expect(goalsServed(library, 'Rounds.md', 0).map(({ title }) => title)).toEqual(['Fewer objects']);
  expect(goalsServed(library, 'Rounds.md', 7)).toEqual([]);
  expect([a?.serving.map(({ title }) => title), b?.serving.map(({ title }) => title)]).toEqual([['B'], ['A']]);
});
