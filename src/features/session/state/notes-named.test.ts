import type { NoteSummary } from '../../../core/index/live/overview';
import { notesNamed } from './notes-named';

const notes = [
  'A/Salt works.md',
  'Exhibitions/Salt on the Glass.md',
  'B/The glass, salted.md',
  'C/Salt.md',
  'Glass/Lamp.md',
  'D/Évora.md',
].map((path) => ({ path, title: path.replace(/^.*\//, '').replace('.md', '') }) as NoteSummary);

it.each([
  ['', ['Salt works', 'Salt on the Glass', 'The glass, salted', 'Salt', 'Lamp', 'Évora']],
  ['salt', ['Salt', 'Salt works', 'Salt on the Glass', 'The glass, salted']],
  [' glass salt ', ['Salt on the Glass', 'The glass, salted']],
  ['salt on', ['Salt on the Glass']],
  ['exhib', ['Salt on the Glass']],
  ['evo', ['Évora']],
  ['mill', []],
])('for “%s”', (typed, titles) => {
  expect(notesNamed(notes, typed).map(({ title }) => title)).toEqual(titles);
});

it('what is called just so is there, however many begin so', () => {
  const many = Array.from({ length: 500 }, (_, index) => ({ path: `${index}.md`, title: `Salt ${index}` }) as NoteSummary);
  const last = { path: 'Last.md', title: 'Salt' } as NoteSummary;
  expect(notesNamed([...many, last], 'salt')).toHaveLength(60);
  expect(notesNamed([...many, last], 'salt')[0]).toBe(last);
});
