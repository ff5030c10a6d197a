import { readStepState, readJoined, readWish } from './step-state';

class Handle {
  readonly name = 'Museum';
}
beforeAll(() => Object.assign(globalThis, { FileSystemDirectoryHandle: Handle }));

test('a folder that is joined is known by its handle; anything else is none', () => {
  const handle = new Handle();
  expect(readJoined({ handle })).toEqual({ handle, name: 'Museum' });
  for (const value of [null, undefined, 'Museum', {}, { handle: { name: 'Museum' } }]) expect(readJoined(value)).toBeNull();
});

test('what an older version kept of a look is filled up; what is no state is none', () => {
  expect(readStepState({ at: 5, is: 'in step' })).toEqual({
    at: 5,
    is: 'in step',
    why: '',
    did: '',
    failed: [],
    ignored: [],
    beside: [],
    warned: [],
    asks: 0,
  });
  expect(readStepState({ at: 5, is: 'away', why: 'It is gone.', ignored: [{ path: 'a' }] })).toMatchObject({
    why: 'It is gone.',
    ignored: [],
  });
  for (const value of [null, 7, {}, { at: 5, is: 'lost' }, { is: 'in step' }]) expect(readStepState(value)).toBeNull();
});

test('only what can be asked is a wish', () => {
  for (const wish of ['look', 'remove', 'write back', 'seen']) expect(readWish({ wish })).toBe(wish);
  for (const value of [null, 'look', {}, { wish: 'burn' }]) expect(readWish(value)).toBeNull();
});
