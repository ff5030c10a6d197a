import type { Overview } from '../../../core/index/live/overview';
import { storedTextFrom } from './stored-text';

const OVERVIEW = {
  notes: [
    { path: 'Agenda/Today.md', title: 'Today' },
    { path: 'Journal/2026-11-23.md', title: '2026-11-23' },
  ],
  people: [
    { name: 'kofi', path: 'People/Kofi.md' },
    { name: 'ilse', path: null },
  ],
  tags: [{ name: 'loans', path: null }],
} as unknown as Overview;

test.each([
  ['/note/Agenda/Today.md', '', '/note/Agenda/Today.md?view=stored'],
  ['/note/Agenda/Today.md', '?view=stored', '/note/Agenda/Today.md'],
  ['/day/2026-11-23', '', '/note/Journal/2026-11-23.md?view=stored'],
  // Back from the page of a day it is written as that.
  ['/note/Journal/2026-11-23.md', '?view=stored', '/day/2026-11-23'],
  ['/person/kofi', '', '/note/People/Kofi.md?view=stored'],
  ['/person/ilse', '', null],
  ['/tag/loans', '', null],
  ['/find', '', null],
])('from %s%s the key for the stored text leads to %s', (pathname, search, address) =>
  expect(storedTextFrom({ pathname, search }, OVERVIEW)).toBe(address),
);
