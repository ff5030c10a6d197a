import { bareWords } from './bare-words';

it.each([
  ['  - [ ] Weigh the crate {due 2026-11-27}', 'Weigh the crate'],
  ['## Loans #loans', 'Loans #loans'],
  ['> 3. said {key}', 'said'],
  ['plain {words} here', 'plain {words} here'],
  ['', ''],
])('%s', (line, words) => {
  expect(bareWords(line)).toBe(words);
});
