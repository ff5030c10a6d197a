import fc from 'fast-check';
import { type OutlineCommand, editedText, outlineEdit, readOutline } from './outline-edits';
import { itemHolding } from '../blocks/structure';
import { runs } from '../../testing/test-runs';

const after = (text: string, line: number, command: OutlineCommand): string | null => {
  const edit = outlineEdit(text, line, command);
  return edit && editedText(text, edit);
};

describe('outline commands', () => {
  it.each<[string, number, OutlineCommand, string | null]>([
    ['- a\n- b\n  - c', 0, 'down', '- b\n  - c\n- a'],
    ['- a\n- b\n  - c', 1, 'up', '- b\n  - c\n- a'],
    ['- a\n- b', 0, 'up', null],
    ['- a\n\n- b\n', 0, 'down', '- b\n\n- a\n'],
    ['- a\n* b', 0, 'down', null],
    ['- a\nwords\n\n- b', 3, 'up', '- b\n\n- a\nwords'],
    ['- a\n- b', 1, 'in', '- a\n  - b'],
    // A number other than 1 cannot begin a list right below words (CommonMark 0.31.2 §5.3), and nothing is renumbered.
    ['1. a\n2. b\n   c', 1, 'in', null],
    ['1. a\n1. b\n   c', 1, 'in', '1. a\n   1. b\n      c'],
    ['- a\n  - b\n    - c', 1, 'out', '- a\n- b\n  - c'],
    ['- a\n\t- b', 1, 'out', '- a\n- b'],
    ['- a', 0, 'in', null],
    ['- a', 0, 'out', null],
    ['- a\n  - b\n- c', 0, 'duplicate', '- a\n  - b\n- a\n  - b\n- c'],
    ['- a\n  - b\n- c', 0, 'delete', '- c'],
    ['> - a\n> - b', 1, 'in', '> - a\n>   - b'],
    ['# A\na\n# B\nb', 0, 'down', '# B\nb\n# A\na'],
    ['# A\n## X\n## Y\n# B', 2, 'up', '# A\n## Y\n## X\n# B'],
    ['# A\n## X\n# B', 1, 'down', null],
    ['words', 0, 'down', null],
  ])('%j, line %i, %s', (text, line, command, wanted) => expect(after(text, line, command)).toBe(wanted));

  it('follow the line they were given on', () => {
    expect(outlineEdit('- a\n  - x\n- b', 1, 'up')).toBeNull();
    expect(outlineEdit('- a\n- b\n  words', 2, 'up')?.line).toBe(1);
    expect(outlineEdit('- a\n- b\n- c', 0, 'down')?.line).toBe(1);
  });

  it('any sequence keeps every line’s words and valid nesting', () => {
    const line = fc
      .tuple(
        fc.constantFrom('', '  ', '    ', '\t', '> '),
        fc.constantFrom('- ', '- [ ] ', '1. ', '* ', '', '# ', '## '),
        fc.constantFrom('a', 'b', 'c', ''),
      )
      .map((parts) => parts.join(''));
    const text = fc.array(line, { minLength: 1, maxLength: 10 }).map((lines) => lines.join('\n'));
    const step = fc.tuple(fc.nat(12), fc.constantFrom<OutlineCommand>('up', 'down', 'in', 'out'));
    const bag = (source: string): string[] =>
      source
        .split('\n')
        .map((one) => one.replace(/^[\s>]*/, ''))
        .sort();
    fc.assert(
      fc.property(text, fc.array(step, { maxLength: 8 }), (source, steps) => {
        let now = source;
        for (const [at, command] of steps) {
          const edit = outlineEdit(now, at % now.split('\n').length, command);
          if (!edit) continue;
          const next = editedText(now, edit);
          // The command back gives the same bytes: what Undo relies on is that an edit names all it replaces.
          const replaced = now.split('\n').slice(edit.first, edit.last + 1);
          expect(editedText(next, { ...edit, last: edit.first + edit.lines.length - 1, lines: replaced })).toBe(now);
          expect(bag(next)).toEqual(bag(now));
          expect(readOutline(next).structure.items.length).toBe(readOutline(now).structure.items.length);
          now = next;
        }
      }),
      { numRuns: runs(400), seed: 20261123 },
    );
  });
});

describe('the item that holds a line', () => {
  it('is the innermost one around it', () => {
    const { structure } = readOutline('- a\n  words\n  - b\n    words\n\n  behind\n\nplain\n- c');
    const lines = Array.from({ length: 9 }, (_, line) => itemHolding(structure, line)?.line);
    expect(lines).toEqual([0, 0, 2, 2, 0, 0, undefined, undefined, 8]);
  });

  it('is found as by looking at all of them', () => {
    const line = fc
      .tuple(
        fc.constantFrom('', '  ', '    ', '      ', '> '),
        fc.constantFrom('- ', '1. ', '', '# ', '- - '),
        fc.constantFrom('a', 'b', ''),
      )
      .map((parts) => parts.join(''));
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 14 }), (lines) => {
        const { structure } = readOutline(lines.join('\n'));
        lines.forEach((_, at) =>
          expect(itemHolding(structure, at)).toBe(structure.items.findLast((one) => one.line <= at && at <= one.lastLine)),
        );
      }),
      { numRuns: runs(500) },
    );
  });
});
