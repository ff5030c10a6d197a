import { PlaceMemory } from './place-memory';
import { readCursor, readPlaces } from './place-words';

it.each([null, '', '{', '[]', '{"path":1}', '{"path":"A.md","anchor":-1,"head":0}'])('of %j is no cursor', (words) => {
  expect(readCursor(words)).toBeNull();
});

it.each([null, '7', '[["a"]]', '[["a",{"scroll":"1"}]]'])('of %j are no places', (words) => {
  expect(readPlaces(words)).toEqual([]);
});

it('outlives the page: what was left is there again after a reload', () => {
  const before = new PlaceMemory();
  before.arrive('a', false);
  before.scrolled(70);
  before.wrote({ path: 'A.md', anchor: 1, head: 4 });
  const after = new PlaceMemory(readCursor(JSON.stringify(before.written)), readPlaces(JSON.stringify(before.all())));
  expect(after.written).toEqual({ path: 'A.md', anchor: 1, head: 4 });
  expect(after.arrive('a', true)).toEqual({ scroll: 70, cursor: null, row: null });
});
