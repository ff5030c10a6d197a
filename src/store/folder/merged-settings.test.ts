import { mergedSettings } from './merged-settings';

test('each side has what was changed on either; where both changed one, this side stands', () => {
  const base = { theme: 'light', textSize: 100, keys: { a: 'F1' }, me: null };
  expect(mergedSettings(base, { ...base, textSize: 115 }, { ...base, theme: 'dark', keys: { a: 'F2' } })).toEqual({
    theme: 'dark',
    textSize: 115,
    keys: { a: 'F2' },
    me: null,
  });
  expect(mergedSettings(base, { ...base, theme: 'dark' }, { ...base, theme: 'system' })).toMatchObject({ theme: 'dark' });
  // What only a newer version knows stays.
  expect(mergedSettings({}, {}, { later: 1 })).toEqual({ later: 1 });
});
