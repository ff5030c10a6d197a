import { placeMeant } from './card-place';
import { firstWords } from './first-words';

it('the first lines that say something', () => {
  const text = '---\nkind: project\n---\n# Loans\n\n- [ ] a task\nOpens in *spring*.\n```\ncode\n```\n- an item {key}\nmore\nstill more\n';
  expect(firstWords('A.md', text, 4)).toEqual(['Loans', 'Opens in *spring*.', 'an item', 'more']);
  expect(firstWords('A.md', '', 4)).toEqual([]);
});

it.each([
  [{ link: 'Salt on the Glass' }, '[[Salt on the Glass'],
  [{ link: '' }, null],
  [{ name: '@kofi' }, '@kofi'],
  [{}, null],
])('what a link stands for: %j', (dataset, place) => {
  expect(placeMeant({ dataset })).toBe(place);
});
