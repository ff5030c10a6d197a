import { typedAfter } from './use-typed-parameter';

const typed = (text: string, of: string, written: string | null = null) => ({ text, of, written });

it.each([
  ['nothing new', typed('crate', 'crate'), 'crate', 'crate'],
  ['typed, and the address not yet', typed('crates', 'crate'), 'crate', 'crates'],
  ['the address followed', typed('crates', 'crate', 'crates'), 'crates', 'crates'],
  ['it followed, and more was typed since', typed('crates of', 'crate', 'crates'), 'crates', 'crates of'],
  ['another address was gone to', typed('crates of', 'crate', 'crates'), 'lamp', 'lamp'],
  ['it was emptied by Back', typed('crate', 'crate'), '', ''],
])('%s', (_what, before, asked, text) => {
  const after = typedAfter(before, asked);
  expect([after.text, after.of]).toEqual([text, asked]);
});
