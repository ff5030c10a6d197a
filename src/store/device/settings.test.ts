import { changedSettings, readSettings } from './settings';
import { tabOn } from '../test-desk';

it('two tabs that change different settings keep both, and a key each', async () => {
  const one = tabOn('settings of two tabs', 'one');
  const two = tabOn('settings of two tabs', 'two');
  await Promise.all([
    one.store.changeValue('settings', (stored) => changedSettings(stored, { theme: 'dark' })),
    two.store.changeValue('settings', (stored) => changedSettings(stored, { textSize: 130 })),
    one.store.changeValue('settings', (stored) => changedSettings(stored, ({ keys }) => ({ keys: { ...keys, menu: 'F7' } }))),
    two.store.changeValue('settings', (stored) => changedSettings(stored, ({ keys }) => ({ keys: { ...keys, today: 'F9' } }))),
  ]);
  expect(readSettings(await one.store.value('settings'))).toMatchObject({
    theme: 'dark',
    textSize: 130,
    keys: { menu: 'F7', today: 'F9' },
  });
});

it('what a newer version keeps beside them stays, and nonsense is read as the usual settings', () => {
  expect(changedSettings({ later: 1, theme: 'dark' }, { textSize: 115 })).toEqual({ later: 1, theme: 'dark', textSize: 115 });
  for (const stored of [null, 'x', [], 3]) expect(changedSettings(stored, ({ theme }) => ({ theme }))).toEqual({ theme: 'system' });
});
