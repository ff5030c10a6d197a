import fc from 'fast-check';
import { editedText, outlineEdit, readOutline } from './outline-edits';
import { type GroupCommand, groupEdit } from './outline-group';
import { runs } from '../../testing/test-runs';

/** A text with `>` before the lines that are meant, after a command. */
function after(marked: string, command: GroupCommand): string | null {
  const lines = marked.split('\n').map((line) => line.replace(/^!/, ''));
  const meant = marked.split('\n').flatMap((line, at) => (line.startsWith('!') ? [at] : []));
  const edit = groupEdit(lines.join('\n'), meant[0] ?? 0, meant.at(-1) ?? 0, command, meant[0] ?? 0);
  return edit && editedText(lines.join('\n'), edit);
}

describe('several items together', () => {
  it.each<[string, GroupCommand, string, string | null]>([
    ['go in under the item above', 'in', '- a\n!- b\n!- c\n  - c1\n- d', '- a\n  - b\n  - c\n    - c1\n- d'],
    ['come out in their order', 'out', '- a\n!  - b\n!  - c\n- d', '- a\n- b\n- c\n- d'],
    ['go up past the one above', 'up', '- a\n!- b\n!- c', '- b\n- c\n- a'],
    ['go down past the one below', 'down', '!- a\n!- b\n- c\n- d', '- c\n- a\n- b\n- d'],
    ['are deleted', 'delete', '- a\n!- b\n  - b1\n!- c\n- d', '- a\n- d'],
    ['stay when one cannot go', 'up', '!- a\n!- b\n- c', null],
    ['stay when none of them is an item', 'in', '!words\n!more', null],
  ])('%s', (_, command, before, expected) => expect(after(before, command)).toBe(expected));

  it('of several lists go each in its own, and stay where one needs the place of another', () => {
    expect(after('- a\n!- b\n!\n!words\n!\n!- c\n!- d\n- e', 'delete')).toBe('- a\n\nwords\n\n- e');
    expect(after('- a\n!- b\n!\n!# Words\n!\n!- c\n- d', 'up')).toBeNull();
    expect(after('- a\n  - b\n!  - c\n!- d\n- e', 'up')).toBeNull();
  });

  it('thousands of them at once', () => {
    const lines = Array.from({ length: 4000 }, (_, index) => `- [ ] crate ${index}`);
    const edit = groupEdit(lines.join('\n'), 1, 3999, 'in', 1);
    expect(edit?.lines).toHaveLength(3999);
    expect(edit?.lines[3998]).toBe('  - [ ] crate 3999');
  });

  it('take what is inside them along only once', () => {
    expect(after('- a\n!- b\n!  - c\n!  - d', 'in')).toBe('- a\n  - b\n    - c\n    - d');
  });

  it('are one edit of the lines they change, that says where each came from', () => {
    const edit = groupEdit('- x\n- a\n- b\n- c\n- y', 2, 3, 'up', 2);
    expect(edit).toEqual({ first: 1, last: 3, lines: ['- b', '- c', '- a'], sources: [2, 3, 1], line: 1 });
  });

  const LINE = fc
    .tuple(fc.constantFrom('', '  ', '    ', '> '), fc.constantFrom('- ', '- [ ] ', '1. ', '', '# '), fc.constantFrom('a', 'b', ''))
    .map((parts) => parts.join(''));
  const TEXT = fc.array(LINE, { minLength: 1, maxLength: 10 }).map((lines) => lines.join('\n'));

  it('keep every line’s words and the number of items, and name all they replace', () => {
    const words = (source: string): string[] =>
      source
        .split('\n')
        .map((one) => one.replace(/^[\s>]*/, ''))
        .sort();
    fc.assert(
      fc.property(TEXT, fc.nat(9), fc.nat(9), fc.constantFrom<GroupCommand>('up', 'down', 'in', 'out'), (text, one, other, command) => {
        const count = text.split('\n').length;
        const [from, to] = [Math.min(one, other) % count, Math.max(one, other) % count];
        const edit = groupEdit(text, from, to, command, from);
        if (!edit) return;
        const next = editedText(text, edit);
        const replaced = text.split('\n').slice(edit.first, edit.last + 1);
        expect(editedText(next, { ...edit, last: edit.first + edit.lines.length - 1, lines: replaced })).toBe(text);
        expect(words(next)).toEqual(words(text));
        expect(readOutline(next).structure.items.length).toBe(readOutline(text).structure.items.length);
        expect([...edit.sources].sort((a, b) => a - b)).toEqual(
          Array.from({ length: edit.last - edit.first + 1 }, (_, index) => edit.first + index),
        );
      }),
      { numRuns: runs(600), seed: 20261126 },
    );
  });

  it('a single item does what it does alone', () => {
    fc.assert(
      fc.property(TEXT, fc.nat(9), fc.constantFrom<GroupCommand>('up', 'down', 'in', 'out', 'delete'), (text, at, command) => {
        const { items } = readOutline(text).structure;
        const item = items[at % Math.max(1, items.length)];
        if (!item) return;
        const alone = outlineEdit(text, item.line, command);
        const group = groupEdit(text, item.line, item.line, command, item.line);
        // Two items may begin on one line: then the outer one is meant.
        if (items.filter((one) => one.line === item.line).length > 1) return;
        expect(group && editedText(text, group)).toBe(alone && editedText(text, alone));
      }),
      { numRuns: runs(400), seed: 20261126 },
    );
  });
});
