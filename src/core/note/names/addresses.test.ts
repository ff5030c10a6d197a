import { addressesIn, namedAddressesIn, taskLinksIn } from './addresses';

describe('addresses in a line', () => {
  it.each([
    ['see [the form](https://example.org/form) today', [['the form', 'https://example.org/form']]],
    ['see [the form](https://example.org/form "of loans") today', [['the form', 'https://example.org/form']]],
    ['a picture ![crate](https://example.org/crate.png)', []],
    ['[a letter](mailto:ilse@example.org) [a note](Notes.md)', []],
    ['[not closed](https://example.org', []],
  ])('%s', (text, wanted) => expect(namedAddressesIn(text).map(({ words, url }) => [words, url])).toEqual(wanted));

  it('words that stand for a task give its ref', () =>
    expect(taskLinksIn('- [ ] [Pack it](recado:k3f9qa)').map(({ words, ref }) => [words, ref])).toEqual([['Pack it', 'k3f9qa']]));

  it.each([
    ['an address that nothing closes', `[form](https://${'a'.repeat(300_000)}`],
    ['brackets that nothing closes', '[form](https://'.repeat(30_000)],
    ['stops behind an address', `https://${'.'.repeat(300_000)}`],
  ])('%s takes time that grows with the line alone', (_, text) => {
    expect(namedAddressesIn(text)).toEqual([]);
    expect(addressesIn(text).length).toBeLessThan(2);
  });
});
