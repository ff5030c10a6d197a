import { hearInSight, tellInSight } from './in-sight';

it('a tab in sight is heard by the others, one out of sight is not', async () => {
  let seen = true;
  const heard = jest.fn();
  const ends = [hearInSight(heard, 'test of sight'), tellInSight(() => seen, 'test of sight', 5)];
  await waitFor(() => heard.mock.calls.length > 1);
  seen = false;
  await new Promise((resolve) => setTimeout(resolve, 30));
  const before = heard.mock.calls.length;
  await new Promise((resolve) => setTimeout(resolve, 60));
  expect(heard).toHaveBeenCalledTimes(before);
  seen = true;
  await waitFor(() => heard.mock.calls.length > before);
  for (const end of ends) end();
});

it('where the browser has no channels, nothing is said and nothing fails', () => {
  const { BroadcastChannel: there } = globalThis;
  Reflect.deleteProperty(globalThis, 'BroadcastChannel');
  try {
    hearInSight(() => undefined)();
    tellInSight(() => true)();
  } finally {
    globalThis.BroadcastChannel = there;
  }
});

async function waitFor(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise((resolve) => setTimeout(resolve, 5));
}
