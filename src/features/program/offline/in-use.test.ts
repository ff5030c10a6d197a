import { inUse } from './in-use';

const RESTS = { last: 0, now: 60_000, asks: false, unsaved: false, seen: true };

it.each([
  ['rests for a minute', RESTS, false],
  ['was just typed into', { ...RESTS, now: 1000 }, true],
  ['was just typed into, and is out of sight', { ...RESTS, now: 1000, seen: false }, false],
  ['asks something, however long ago', { ...RESTS, asks: true }, true],
  ['asks something out of sight', { ...RESTS, asks: true, seen: false }, true],
  ['holds what is not stored', { ...RESTS, unsaved: true, seen: false }, true],
])('a page that %s', (_, use, is) => expect(inUse(use)).toBe(is));
