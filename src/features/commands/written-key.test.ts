import { writtenKey } from './written-key';

it.each([
  ['Mod+Shift+F10', 'Mod+Shift+F10'],
  ['ctrl + shift + f10', 'Mod+Shift+F10'],
  ['Shift Ctrl L', 'Mod+Shift+l'],
  ['⌘+Option+7', 'Mod+Alt+7'],
  ['F9', 'F9'],
  ['l', null],
  ['Shift+L', null],
  ['Alt+L', null],
  ['Enter', null],
  ['Mod+Enter', null],
  ['Ctrl+Shift', null],
  ['Hyper+L', null],
  ['F99', null],
  ['', null],
])('%j is %s', (words, key) => {
  expect(writtenKey(words)).toBe(key);
});
