import { withLinesAtEnd } from './lines-at-end';

test.each([
  [null, ['- a'], '- a\n'],
  ['', ['- a'], '- a\n'],
  ['x', ['- a', '  under'], 'x\n- a\n  under\n'],
  ['x\r\n', ['- a'], 'x\r\n- a\n'],
  // What stands there already stays out, with what is under it.
  ['- a\n', ['- a', '  under', '- b'], '- a\n- b\n'],
  ['- a', ['- a'], '- a'],
] as const)('%j with %j is %j', (text, lines, result) => expect(withLinesAtEnd(text, lines)).toBe(result));
