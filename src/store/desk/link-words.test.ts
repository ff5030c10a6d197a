import { newLinkWords, readLinkWords } from './link-words';

it('new words are read again as they are, and by four letters of each', () => {
  const made = newLinkWords();
  expect(made.words.split(' ')).toHaveLength(8);
  expect(readLinkWords(made.words)).toEqual(made);
  const short = made.words
    .split(' ')
    .map((word) => word.slice(0, 4))
    .join(', ');
  expect(readLinkWords(short.toUpperCase())).toEqual(made);
  expect(`${made.place.replace('-', ' ')} ${made.opens}`).toBe(made.words);
});

it.each([
  ['', 'There are 8 words; these are 0.'],
  ['abandon ability', 'There are 8 words; these are 2.'],
  ['abandon ability able about above absent absorb lighthouse', '“lighthouse” is none of the words.'],
  // Three letters may begin several.
  ['aba abi able about above absent absorb abstract', '“aba” is none of the words.'],
])('%j is refused', (typed, wrong) => expect(readLinkWords(typed)).toEqual({ wrong }));
