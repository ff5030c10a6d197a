import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { DeskFailure } from '../../../store/desk/desk-failure';
import { WrongPassphraseError } from '../../../store/seal/passphrase';
import { OWN_ERRORS, isPieceGone, whyFailed } from './why-failed';

jest.mock('age-encryption', () => ({}));

// The words of Chromium, Firefox and WebKit (from memory).
it.each([
  'Failed to fetch dynamically imported module: https://desk.example/assets/WhyPanel-a.js',
  'error loading dynamically imported module: https://desk.example/assets/WhyPanel-a.js',
  'Importing a module script failed.',
  // As the builder's own loader says it of a style sheet.
  'Unable to preload CSS for /assets/board-a.css',
])('a piece that is gone after an update is known: %s', (message) => {
  expect(isPieceGone(new TypeError(message))).toBe(true);
  expect(whyFailed(new TypeError(message))).toMatch(/^A piece of the program is missing/);
});

it.each([new Error('row is undefined'), new TypeError('Failed to fetch'), 'text', null])('other failures are none: %s', (error) =>
  expect(isPieceGone(error)).toBe(false),
);

it.each(['Failed to fetch', 'NetworkError when attempting to fetch resource.', 'Load failed'])(
  'a server that is not reached is called that: %s',
  (message) => expect(whyFailed(new TypeError(message))).toBe('The server cannot be reached now.'),
);

it('what Recado says of itself stands as it is, also where it crossed from a worker', () => {
  expect(whyFailed(new DeskFailure('full'))).toBe(new DeskFailure('full').message);
  expect(whyFailed(Object.assign(new Error('It holds no file of Recado.'), { name: 'Error' }))).toBe('It holds no file of Recado.');
  expect(whyFailed(new WrongPassphraseError())).toBe('This passphrase does not open the seal.');
});

it('what a browser or a library says is put in plain words', () => {
  expect(whyFailed(new DOMException('x', 'QuotaExceededError'))).toContain('disk is full');
  expect(whyFailed(new TypeError('x is not a function'))).toBe('The browser could not do it (x is not a function).');
  expect(whyFailed(new Error(''))).toBe('The browser could not do it.');
  expect(whyFailed('words')).toBe('The browser could not do it.');
});

it('each error that the code of the browser makes is known here, or named by the sentence for what the store failed at', () => {
  const root = path.join(__dirname, '../../..');
  const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((file) => /(?<!\.test)\.tsx?$/.test(file));
  const names = files.flatMap((file) =>
    [...readFileSync(path.join(root, file), 'utf8').matchAll(/class \w+ extends Error[\s\S]*?this\.name = '(\w+)'/g)].map(
      ([, name]) => name ?? '',
    ),
  );
  expect(names.length).toBeGreaterThan(5);
  expect(names.filter((name) => !OWN_ERRORS.has(name))).toEqual(['NewerStoreError']);
});
