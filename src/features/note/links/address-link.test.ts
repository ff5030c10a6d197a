import { addressLink } from './address-link';

const HERE = 'http://localhost:4173';

it.each([
  [`${HERE}/note/Rounds/Tide%20clock.md`, '[[Tide clock]]'],
  [` ${HERE}/note/Rounds/Tide%20clock.md?line=3\n`, '[[Tide clock]]'],
  [`${HERE}/note/a/Crate.md`, '[[a/Crate]]'],
  [`${HERE}/day/2026-11-23`, '[[2026-11-23]]'],
  [`${HERE}/tag/loans/out`, '#loans/out'],
  [`${HERE}/person/kofi`, '@kofi'],
  [`${HERE}/item/k3f9qa`, '[task](recado:k3f9qa)'],
  [`${HERE}/item/no`, null],
  [`${HERE}/settings`, null],
  [`${HERE}/note/%ff.md`, null],
  ['http://elsewhere.example/note/Crate.md', null],
  [`see ${HERE}/note/Crate.md`, null],
  ['crate', null],
])('%s', (pasted, link) => {
  expect(addressLink(pasted, HERE, new Set(['crate']))).toBe(link);
});
