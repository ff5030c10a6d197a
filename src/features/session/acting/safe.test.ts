import { isChunkGone } from './Safe';

// The words of Chromium, Firefox and WebKit (from memory).
it.each([
  'Failed to fetch dynamically imported module: https://desk.example/assets/WhyPanel-a.js',
  'error loading dynamically imported module: https://desk.example/assets/WhyPanel-a.js',
  'Importing a module script failed.',
])('a piece that is gone after an update is known: %s', (message) => expect(isChunkGone(new TypeError(message))).toBe(true));

it.each([new Error('row is undefined'), 'text', null])('other failures are none: %s', (error) => expect(isChunkGone(error)).toBe(false));
