import { PlaceMemory, placeOf } from './place-memory';

const at = (path: string, place: number) => ({ path, anchor: place, head: place });

describe('places of the history', () => {
  it('are found as they were left, by going back and forth', () => {
    const memory = new PlaceMemory();
    expect(memory.arrive('a', false)).toBeNull();
    memory.scrolled(400);
    memory.focused('A.md:3');
    expect(memory.arrive('b', false)).toBeNull();
    memory.moved(at('B.md', 17));
    expect(memory.arrive('a', true)).toEqual({ scroll: 400, cursor: null, row: 'A.md:3' });
    expect(memory.cursorIn('B.md')).toBeNull();
    memory.scrolled(20);
    expect(memory.arrive('b', true)?.cursor).toEqual(at('B.md', 17));
    expect(memory.cursorIn('b.md')).toEqual(at('B.md', 17));
    expect(memory.arrive('a', true)?.scroll).toBe(20);
  });

  it('that are gone to anew, by a link, begin at the top', () => {
    const memory = new PlaceMemory();
    memory.arrive('a', false);
    memory.moved(at('A.md', 3));
    expect(memory.arrive('a', false)).toBeNull();
    expect(memory.cursorIn('A.md')).toBeNull();
  });

  it('of the start are not returned to', () => {
    expect(new PlaceMemory().arrive('default', true)).toBeNull();
  });

  it('follow a note that is renamed, as does where something was written last', () => {
    const memory = new PlaceMemory(at('Old.md', 5));
    memory.arrive('a', false);
    memory.moved(at('Old.md', 9));
    memory.arrive('b', false);
    memory.noteMoved('old.md', 'New.md');
    expect(memory.written).toEqual(at('New.md', 5));
    expect(memory.arrive('a', true)?.cursor).toEqual(at('New.md', 9));
  });

  it('are forgotten when they are very many, the oldest first', () => {
    const memory = new PlaceMemory();
    for (let place = 0; place < 300; place++) memory.arrive(`${place}`, false);
    expect(memory.arrive('0', true)).toBeNull();
    expect(memory.arrive('299', true)).not.toBeNull();
  });
});

it('places of a note that is sealed now, and others whose address says too much, are forgotten, and what was kept of them', () => {
  let kept: string[] = [];
  const memory: PlaceMemory = new PlaceMemory(null, [], () => (kept = memory.all().map(([place]) => place)));
  for (const address of ['/note/Winter%20bed.md', '/find?q=quince', '/note/Letters.md']) memory.arrive(placeOf('a1', address), false);
  memory.noteMoved('Winter bed.md', 'sealed-abc.md.age');
  expect(kept).toEqual(['a1 /find?q=quince', 'a1 /note/Letters.md']);
  memory.forget((address) => address.includes('q='));
  expect(kept).toEqual(['a1 /note/Letters.md']);
});
