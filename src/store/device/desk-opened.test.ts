import { keepOpened, openingOf } from './desk-opened';
import { DeviceMemory } from './device-memory';

function made(values: Record<string, unknown> = {}) {
  const held = new Map<string, string>();
  const storage = {
    getItem: (key: string) => held.get(key) ?? null,
    setItem: (key: string, value: string) => void held.set(key, value),
  } as unknown as Storage;
  const store = {
    value: (id: string) => Promise.resolve(values[id]),
    setValue: (id: string, value: unknown) => {
      values[id] = value;
      return Promise.resolve();
    },
  };
  return { device: new DeviceMemory(() => storage), store };
}

const empty = { value: () => Promise.resolve(undefined) };

it('a desk that was never opened is met for the first time, one that was is open', async () => {
  const { device, store } = made();
  expect(await openingOf(store, device)).toBe('first');
  await keepOpened(store, device);
  expect(await openingOf(store, device)).toBe('none');
});

it('a desk that was opened, and of which the store knows nothing any more, is lost; also one of an earlier version of the program', async () => {
  const { device, store } = made({ opened: true });
  expect(await openingOf(store, device)).toBe('none');
  expect(await openingOf(empty, device)).toBe('lost');
});

it('an opening that could not be stored is asked for once more, and nothing is called lost', async () => {
  const { device, store } = made();
  await keepOpened({ setValue: () => Promise.reject(new Error('full')) }, device);
  expect(await openingOf(store, device)).toBe('first');
});
