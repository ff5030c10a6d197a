import fc from 'fast-check';
import { blockAt, editedText, readOutline } from './outline-edits';
import { type DropPlace, dropPlaces, moveBlock } from './outline-move';
import { runs } from '../../testing/test-runs';

function placesAt(text: string, line: number, before: number): DropPlace[] {
  const outline = readOutline(text);
  const block = blockAt(outline, line);
  return block ? dropPlaces(outline, block, before) : [];
}

/** The text after its line was carried to a place and a level; null where it cannot go there. */
function carried(text: string, line: number, before: number, depth: number): string | null {
  const place = placesAt(text, line, before).find((one) => one.depth === depth);
  const edit = place && moveBlock(text, line, place);
  return edit ? editedText(text, edit) : null;
}

describe('carrying an item or section', () => {
  const TREE = '- a\n  - b\n- c\n  words\n- d';

  it.each<[string, string, number, number, number, string | null]>([
    ['below its sibling', '- a\n- b\n- c', 0, 2, 0, '- b\n- a\n- c'],
    ['to the end', '- a\n- b', 0, 2, 0, '- b\n- a'],
    ['to the top', '- a\n- b', 1, 0, 0, '- b\n- a'],
    ['with what is under it', TREE, 2, 0, 0, '- c\n  words\n- a\n  - b\n- d'],
    ['into another item', TREE, 2, 1, 1, '- a\n  - c\n    words\n  - b\n- d'],
    ['behind the last one inside', TREE, 2, 2, 1, '- a\n  - b\n  - c\n    words\n- d'],
    ['two levels in', TREE, 4, 2, 2, '- a\n  - b\n    - d\n- c\n  words'],
    ['out of its item', TREE, 1, 4, 0, '- a\n- c\n  words\n- b\n- d'],
    ['out, where it stands', '- a\n  - b', 1, 1, 0, '- a\n- b'],
    ['in, where it stands', '- a\n- b', 1, 1, 1, '- a\n  - b'],
    ['nowhere: it is there', '- a\n- b', 1, 1, 0, null],
    ['nowhere: what follows would come to stand under it', '- a\n  - b\n  - c\n- d', 3, 2, 0, null],
    ['not into itself', '- a\n  - b\n  - c', 0, 2, 1, null],
    ['between lists that a blank line parts', '- a\n\nwords\n\n- b\n- c', 5, 1, 0, '- a\n- c\n\nwords\n\n- b'],
    ['within a quote', '> - a\n> - b\n> - c', 2, 1, 1, '> - a\n>   - c\n> - b'],
    ['not out of a quote', '> - a\n\n- b', 0, 3, 0, null],
    ['not into code', '- a\n\n```\ncode\nmore\n```\n', 0, 4, 0, null],
    ['by the width of its marker', '1. a\n- b', 1, 0, 0, '- b\n1. a'],
    ['a section between sections', '# A\na\n# B\nb\n# C', 4, 2, 1, '# A\na\n# C\n# B\nb'],
    ['a section into another', '# A\n## X\n# B\n## Y\n', 3, 1, 2, '# A\n## Y\n## X\n# B\n'],
    ['no section in the midst of one', '# A\na\na\n# B', 3, 1, 1, null],
  ])('%s', (_, text, line, before, depth, wanted) => expect(carried(text, line, before, depth)).toBe(wanted));

  it('offers the levels from the outermost in', () => {
    expect(placesAt(TREE, 4, 2).map((place) => place.depth)).toEqual([0, 1, 2]);
    expect(placesAt(TREE, 4, 1).map((place) => place.depth)).toEqual([1]);
    expect(placesAt('words\n\n- a', 2, 0).map((place) => place.depth)).toEqual([0]);
    expect(placesAt('- a\n- b', 0, 2).map((place) => place.depth)).toEqual([0, 1]);
  });

  it('wherever it goes no word is lost, nothing else changes its level, and it stands where it was offered', () => {
    const line = fc
      .tuple(fc.constantFrom('', '', '  ', '    ', '\t', '> '), fc.constantFrom('- ', '- [ ] ', '1. ', '* ', '', '# ', '## '), fc.nat(99))
      .map(([indent, marker, number]) => `${indent}${marker}w${number}`);
    const texts = fc.array(fc.oneof({ weight: 6, arbitrary: line }, { weight: 1, arbitrary: fc.constant('') }), {
      minLength: 2,
      maxLength: 10,
    });
    const words = (text: string): string[] =>
      text
        .split('\n')
        .map((one) => one.replace(/^[\s>]*/, ''))
        .sort();
    let moved = 0;
    fc.assert(
      fc.property(texts, fc.nat(9), fc.nat(10), fc.nat(3), (lines, anyLine, gap, choice) => {
        const last = lines.length - 1;
        const at = Math.min(anyLine % lines.length, lines[last] === '' ? last - 1 : last);
        const text = lines.join('\n');
        const places = placesAt(text, at, Math.min(gap, lines.length));
        const place = places[choice % Math.max(1, places.length)];
        const edit = place && moveBlock(text, at, place);
        if (!edit) return;
        moved++;
        const next = editedText(text, edit);
        expect(words(next)).toEqual(words(text));
        expect(words(next.split('\n')[edit.line] ?? '')).toEqual(words(lines[at] ?? ''));
        const before = blockAt(readOutline(text), at);
        const after = blockAt(readOutline(next), edit.line);
        expect([after?.is, after?.depth, after && after.last - after.first]).toEqual([
          before?.is,
          place.depth,
          before && before.last - before.first,
        ]);
        for (const [index, source] of edit.sources.entries())
          expect(words(next.split('\n')[edit.first + index] ?? '')).toEqual(words(lines[source] ?? ''));
      }),
      { numRuns: runs(4000), seed: 20261123 },
    );
    expect(moved).toBeGreaterThan(runs(400));
  });
});
