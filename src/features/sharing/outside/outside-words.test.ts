import type { SeenList } from '../../../store/outside/seen-lists';
import { freeListName } from './page/list-names';
import { newsOf } from './outside-news';
import { stateWords, toldWords } from './outside-words';

const AT = new Date(2026, 10, 23, 9, 14).getTime();
const LIST: SeenList = {
  ...{
    name: 'Team',
    title: 'Team',
    address: 'https://lists.museum.example',
    user: 'ilse',
    at: AT,
    trouble: null,
    tasks: 3,
    joined: 1,
    waiting: 0,
  },
  ...{ asks: [], lost: [], told: [], problems: [] },
};
const TODAY = 20780;

test('how a list is, in one sentence', () => {
  expect(stateWords(LIST, TODAY, 'words')).toBe('In step today 09:14.');
  expect(stateWords({ ...LIST, at: null }, TODAY, 'words')).toBe('It was not looked at yet.');
  expect(stateWords({ ...LIST, waiting: 2 }, TODAY, 'words')).toBe('In step today 09:14. 2 tasks wait to go there.');
  expect(stateWords({ ...LIST, trouble: 'away', waiting: 1 }, TODAY, 'words')).toBe(
    'The service is not reached, or does not answer in time. What is changed here goes there once it does. What stands here is as of today 09:14. 1 task waits to go there.',
  );
});

test('what both sides changed, and what stands', () => {
  const told = { words: 'Weigh', at: AT, field: 'due', here: '2026-12-01', there: null, won: 'here' } as const;
  expect(toldWords(told)).toBe('“Weigh”: the due day changed on both sides. The newer stands, 2026-12-01; there it was none.');
  expect(toldWords({ ...told, field: 'status', here: 'done', there: 'todo', won: 'there' })).toContain('stands, to do; here it was done.');
  expect(toldWords({ ...told, field: 'tags', here: ['van'], there: [] })).toContain('stands, #van; there it was none.');
});

test('a look tells what is new: what both changed, what is asked, a key that counts no more', () => {
  const told = { words: 'Weigh', at: AT, field: 'due', here: '2026-12-01', there: null, won: 'here' } as const;
  const asks = [{ ref: 'aaaaaa', words: 'Weigh', path: 'A.md', asks: 'gone there' as const }];
  const words = (before: Partial<SeenList>, now: Partial<SeenList>) =>
    newsOf([{ ...LIST, ...before }], [{ ...LIST, ...now }]).map((one) => one.words);
  expect(words({}, {})).toEqual([]);
  expect(words({ told: [told] }, { told: [told] })).toEqual([]);
  expect(words({}, { told: [told] })).toEqual([toldWords(told)]);
  expect(words({}, { told: [told, { ...told, words: 'Count' }] })).toEqual([
    '2 fields of tasks on “Team” changed on both sides; the newer stand.',
  ]);
  expect(words({}, { asks })).toEqual(['Something is gone on one side of “Team”. Nothing was removed; say what is to become of it.']);
  expect(words({ asks }, { asks, trouble: 'refused' })).toEqual([
    '“Team” is not let in any more: its key counts no longer. Nothing is lost.',
  ]);
  expect(newsOf([], [{ ...LIST, trouble: 'refused' }])).toEqual([]);
});

test('names of lists can stand in a clause, a gather and a path, and none twice', () => {
  expect(freeListName('Team / 2026; {x}', new Set())).toBe('Team 2026 x');
  expect(freeListName('Team', new Set(['team', 'team 2']))).toBe('Team 3');
  expect(freeListName('…', new Set())).toBe('List');
  expect(freeListName('.Übergabe.', new Set())).toBe('Übergabe');
});
