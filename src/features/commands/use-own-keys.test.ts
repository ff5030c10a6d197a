import { keysOf } from './definitions';
import { type OwnKey, otherOfKey } from './use-own-keys';

const own = (address: string, key: string): OwnKey => ({ address, title: address, written: key, key });
const KEYS = keysOf({ beside: 'Mod+Shift+F5' });
const OWN = [own('/tag/loans', 'Mod+Alt+F9'), own('/find?q=crate', 'F12')];

it.each([
  ['a key of nothing else', 'Mod+Alt+F8', '/tag/loans', null],
  ['its own', 'Mod+Alt+F9', '/tag/loans', null],
  ['that of another of one’s own', 'Mod+Alt+F9', '/tag/tour', '/tag/loans'],
  ['that of a command', 'F10', '/tag/loans', 'Fill in a slip'],
  ['that a person gave to a command', 'Mod+Shift+F5', '/tag/loans', 'Show or hide the beside panel'],
  ['that a command no longer has', 'F9', '/tag/loans', null],
  ['none', null, '/tag/loans', null],
])('%s', (_what, key, address, title) => {
  expect(otherOfKey(key, address, KEYS, OWN)).toBe(title);
});
