import { soleLink } from './sole-link';

it.each([
  ['[[Catalogue]]', 'Catalogue'],
  [' [[Projects/Catalogue|The book]] ', 'Projects/Catalogue'],
  ['[[Catalogue#Proofs]]', 'Catalogue'],
  ['[[Catalogue]] and more', null],
  ['[[A]] [[B]]', null],
  ['[[]]', null],
  ['Catalogue', null],
])('%j', (words, target) => expect(soleLink(words)).toBe(target));
