import { withLine } from './with-line';

it.each([
  ['a line', 'a\nb\nc', 1, 'b', 'x', 'a\nx\nc'],
  ['found again where lines came above', 'new\na\nb', 0, 'a', 'x', 'new\nx\nb'],
  ['ends of lines stay', 'a\r\nb\r\n', 0, 'a', 'xy', 'xy\r\nb\r\n'],
  ['the mark at the beginning of a file stays', '\ufeffa\nb', 0, 'a', 'x', '\ufeffx\nb'],
])('%s', (_what, text, line, expected, after, found) => expect(withLine(text, { line, expected }, after)).toEqual({ text: found }));

it('one that is no longer as it was stays', () => {
  expect(withLine('a\nb', { line: 0, expected: 'was' }, 'x')).toHaveProperty('refused');
});
