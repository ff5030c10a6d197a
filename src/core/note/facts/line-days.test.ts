import fc from 'fast-check';
import { dayOfLine, daysAfter, daysOfText, touchedOfLine } from './line-days';

describe('the day on which a line was seen first', () => {
  it.each([
    ['a line that came between', 'a\nb', 'a\nx\nb', [1, 9, 1]],
    ['one that was reworded', 'a\nb\nc', 'a\nb!\nc', [1, 1, 1]],
    ['one that went', 'a\nb\nc', 'a\nc', [1, 1]],
    ['one that moved', 'a\nb\nc', 'c\na\nb\nd', [1, 1, 1, 9]],
    ['everything new', '', 'a\nb', [9, 9]],
  ])('%s', (_, before, after, wanted) => {
    const days = daysAfter(before, before === '' ? [] : [[before.split('\n').length, 1]], after, 9);
    expect(after.split('\n').map((_line, index) => dayOfLine(days, index))).toEqual(wanted);
  });

  it('stays when the line is reworded, which is remembered beside it', () => {
    const days = daysAfter('a\nb\nc', [[3, 1]], 'a\nb!\nc', 9);
    expect(days).toEqual([
      [1, 1],
      [1, 1, 9],
      [1, 1],
    ]);
    // A line that comes between changes none of the others.
    const later = daysAfter('a\nb!\nc', days, 'x\na\nb!\nc', 12);
    expect([0, 1, 2, 3].map((line) => [dayOfLine(later, line), touchedOfLine(later, line)])).toEqual([
      [12, 12],
      [1, 1],
      [1, 9],
      [1, 1],
    ]);
    expect(daysOfText(later)).toEqual({ created: 1, changed: 12 });
    expect(daysOfText([])).toEqual({ created: null, changed: null });
  });

  it('a new text has the day on which it came', () => expect(daysAfter('', [], 'a', 7)).toEqual([[1, 7]]));

  it('reaches every line after any changes, and never makes a line older than the first text', () => {
    const text = fc.array(fc.constantFrom('a', 'b', 'c', ''), { maxLength: 8 }).map((lines) => lines.join('\n'));
    fc.assert(
      fc.property(fc.array(text, { minLength: 1, maxLength: 6 }), (texts) => {
        let days = daysAfter('', [], texts[0] ?? '', 1);
        for (const [index, next] of texts.entries()) {
          if (index > 0) days = daysAfter(texts[index - 1] ?? '', days, next, index + 1);
          const each = next.split('\n').map((_line, line) => dayOfLine(days, line));
          expect(each.every((day) => day !== null && day >= 1 && day <= index + 1)).toBe(true);
          expect(dayOfLine(days, each.length)).toBeNull();
        }
      }),
    );
  });
});
