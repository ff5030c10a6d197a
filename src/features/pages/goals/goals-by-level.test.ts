import type { GoalFacts } from '../../../core/index/questions/goals';
import { goalsByLevel } from './goals-by-level';

const goal = (title: string, level: string | null, more: Partial<GoalFacts> = {}): GoalFacts => ({
  path: `Goals/${title}.md`,
  title,
  level,
  state: null,
  outcome: null,
  due: null,
  serving: [],
  open: 0,
  done: 0,
  repeats: [],
  next: null,
  weeks: [],
  ...more,
});

test('goals stand by the levels of the settings; others follow by name, and what says none stands last', () => {
  const levels = goalsByLevel(
    [goal('a', null), goal('b', 'quarter'), goal('c', 'Season'), goal('d', 'life'), goal('e', 'decade'), goal('f', ' season ')],
    ['life', 'year', 'season'],
  );
  expect(levels.map(({ level, goals }) => [level, goals.map(({ title }) => title)])).toEqual([
    ['life', ['d']],
    ['season', ['c', 'f']],
    ['decade', ['e']],
    ['quarter', ['b']],
    [null, ['a']],
  ]);
});

test('within a level what is due first stands first, and what is settled last', () => {
  const [level] = goalsByLevel([goal('a', 'year', { state: 'done', due: 1 }), goal('b', 'year'), goal('c', 'year', { due: 9 })], []);
  expect(level?.goals.map(({ title }) => title)).toEqual(['c', 'b', 'a']);
});
