import { matchNamed, matchWords } from './match-words';

it.each([
  ['Salt on the Glass', 'salt on', 1],
  ['Salt on the Glass', 'gla', 0.8],
  ['Salt on the Glass', 'glass salt', 0.9],
  ['Go to today’s journal page', 'today', 0.8],
  ['Go to the agenda page Today', 'today', 0.9],
  ['Salt on the Glass', 'alt', 0.4],
  ['Salt on the Glass', 'gla x', 0],
  ['Évora', 'evo', 1],
  ['a.b', '.*', 0],
  ['Anything', '', 1],
])('%s for “%s”', (name, typed, fits) => {
  expect(matchWords(name, typed)).toBe(fits);
});

it('what is called just so stands before what only begins so', () => {
  expect(matchNamed('Finished Agenda/Finished.md', ' finished', ['Finished'])).toBe(2);
  expect(matchNamed('Finished lines stay where they are', 'finished')).toBe(1);
  expect(matchNamed('Évora People/evora.md', 'evora', ['Évora'])).toBe(2);
});
