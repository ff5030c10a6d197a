import { foldedRanges } from '@codemirror/language';
import type { EditorView } from '@codemirror/view';
import { trailOf, closeUpAt } from './close-up';
import { foldAll, foldToLevel, folding, isFolded, keepFolds, openingFolds, toggleBranch, toggleFold } from './folding';
import { noteNow, readAll } from '../reading/note-field';
import type { OutlineCommand } from '../../../core/note/outline/outline-edits';
import { runOutline } from '../editing/outline-keys';
import { testView } from '../test-view';

const TEXT = `# Loans
- [ ] Crates
  - [ ] North door
    - [ ] key
  - [ ] who signs
- [ ] Riders
  their list is with @bea
  and a copy with @kofi
## Letters
- one

plain
# Build
- [ ] Lamps
`;

/** The lines that are out of sight. */
function hidden(view: EditorView): string[] {
  const { doc } = view.state;
  const lines: string[] = [];
  foldedRanges(view.state).between(0, doc.length, (from, to) => {
    for (let line = doc.lineAt(from).number + 1; line <= doc.lineAt(to).number; line++) lines.push(doc.line(line).text.trim());
  });
  return [...new Set(lines)];
}

/** What a browser keeps, without one. */
function keepInMemory(): void {
  const kept = new Map<string, string>();
  Object.assign(globalThis, {
    localStorage: { getItem: (key: string) => kept.get(key) ?? null, setItem: (key: string, value: string) => void kept.set(key, value) },
  });
}

describe('folding', () => {
  it('folds an item with what is under it, and unfolds it', () => {
    const view = testView(TEXT, folding);
    expect(toggleFold(view, 1)).toBe(true);
    expect(hidden(view)).toEqual(['- [ ] North door', '- [ ] key', '- [ ] who signs']);
    expect(isFolded(view.state, 1)).toBe(true);
    toggleFold(view, 1);
    expect(hidden(view)).toEqual([]);
  });

  it('folds a section up to the next heading of its level', () => {
    const view = testView(TEXT, folding);
    toggleFold(view, 8);
    expect(hidden(view)).toEqual(['- one', '', 'plain']);
    toggleFold(view, 0);
    expect(hidden(view)).toHaveLength(11);
  });

  it('folds each level of a branch, and opens them one by one or all', () => {
    const view = testView(TEXT, folding);
    expect(toggleBranch(view, 1)).toBe(true);
    expect(isFolded(view.state, 1)).toBe(true);
    toggleFold(view, 1);
    expect(hidden(view)).toEqual(['- [ ] key']);
    toggleBranch(view, 1);
    toggleBranch(view, 1);
    expect(hidden(view)).toEqual([]);
    toggleBranch(view, 0);
    toggleFold(view, 0);
    expect(hidden(view)).toEqual(expect.arrayContaining(['- [ ] key', 'and a copy with @kofi', '- one']));
    expect(hidden(view)).not.toContain('- [ ] Crates');
    expect(toggleBranch(view, 3)).toBe(false);
  });

  it('does nothing where nothing stands under a line', () => {
    const view = testView(TEXT, folding);
    expect(toggleFold(view, 3)).toBe(false);
    expect(toggleFold(testView('plain', folding), 0)).toBe(false);
  });

  it('shows an outline down to a level, whatever was folded before', () => {
    const view = testView(TEXT, folding);
    foldAll(view, true);
    foldToLevel(view, 1);
    expect(hidden(view)).toEqual(['- [ ] North door', '- [ ] key', '- [ ] who signs', 'their list is with @bea', 'and a copy with @kofi']);
    foldToLevel(view, 2);
    expect(hidden(view)).toEqual(['- [ ] key']);
    foldToLevel(view, 3);
    expect(hidden(view)).toEqual([]);
  });

  it('folds everything and unfolds everything', () => {
    const view = testView(TEXT, folding);
    foldAll(view, true);
    expect(hidden(view)).toHaveLength(12);
    foldAll(view, false);
    expect(hidden(view)).toEqual([]);
  });

  it('shows the plain text under an item as one line', () => {
    const view = testView(TEXT, folding);
    view.dispatch({ effects: openingFolds(view.state, 'Other.md') });
    expect(hidden(view)).toEqual(['and a copy with @kofi']);
  });

  it('opens and folds the plain text from a line of it, and the whole item from its own', () => {
    const view = testView('- [ ] Crates\n\n  seven, all of pine\n  screws, no nails\n\n  - [ ] North door\n', folding);
    view.dispatch({ effects: openingFolds(view.state, 'Other.md') });
    expect(hidden(view)).toEqual(['screws, no nails']);
    toggleFold(view, 2);
    expect(hidden(view)).toEqual([]);
    toggleFold(view, 3);
    expect(hidden(view)).toEqual(['screws, no nails']);
    toggleFold(view, 0);
    expect(isFolded(view.state, 0)).toBe(true);
    toggleFold(view, 0);
    expect(hidden(view)).toEqual(['screws, no nails']);
  });

  it.each([
    ['a single line', '- [ ] Crates\n  seven, all of pine\n'],
    ['code', '- [ ] Crates\n  ```\n  seven\n  ```\n'],
    ['a heading', '- [ ] Crates\n  # Pine\n  seven\n'],
    ['an item without words', '-\n  - [ ] Crates\n'],
    ['an item at once', '- [ ] Crates\n  - [ ] North door\n  - [ ] South door\n'],
  ])('leaves %s under an item open', (_, text) => {
    const view = testView(text, folding);
    view.dispatch({ effects: openingFolds(view.state, 'Other.md') });
    expect(hidden(view)).toEqual([]);
  });

  it('remembers a folded item that holds nothing but plain text', () => {
    keepInMemory();
    const view = testView(TEXT, folding);
    toggleFold(view, 5);
    keepFolds(view.state, 'Loans.md');
    const other = testView(TEXT, folding);
    other.dispatch({ effects: openingFolds(other.state, 'Loans.md') });
    expect(isFolded(other.state, 5)).toBe(true);
  });

  it('remembers folds by the words of the lines, so that they follow a moved line', () => {
    keepInMemory();
    const view = testView(TEXT, folding);
    toggleFold(view, 2);
    keepFolds(view.state, 'Loans.md');
    const other = testView(`Something new.\n\n${TEXT}`, folding);
    other.dispatch({ effects: openingFolds(other.state, 'Loans.md') });
    expect(hidden(other)).toEqual(['- [ ] key', 'and a copy with @kofi']);
    const elsewhere = testView(TEXT, folding);
    elsewhere.dispatch({ effects: openingFolds(elsewhere.state, 'Riders.md') });
    expect(hidden(elsewhere)).toEqual(['and a copy with @kofi']);
  });
});

describe('a long note', () => {
  const steps = Array.from({ length: 1500 }, (_, index) => `  - [ ] crate ${index} of the north store`);
  const long = ['- [ ] Crates', '  in the store', '  all of them', ...steps, '- [ ] Riders', '  one letter', '  two pages', 'end'].join(
    '\n',
  );

  it('is folded in two parts as it would be in one, and is not forgotten when it is left in between', () => {
    const before = testView(long, folding);
    readAll(before);
    before.dispatch({ effects: openingFolds(before.state, 'Long.md') });
    expect(isFolded(before.state, 0)).toBe(false);
    toggleFold(before, 0);
    expect(isFolded(before.state, 0)).toBe(true);
    expect(hidden(before)).toContain('- [ ] crate 1499 of the north store');
    keepFolds(before.state, 'Long.md');
    const after = testView(long, folding);
    after.dispatch({ effects: openingFolds(after.state, 'Long.md') });
    expect(hidden(after)).toEqual(['all of them']);
    keepFolds(after.state, 'Long.md');
    readAll(after);
    after.dispatch({ effects: openingFolds(after.state, 'Long.md') });
    expect(hidden(after)).toEqual(expect.arrayContaining(['all of them', '- [ ] crate 1499 of the north store', 'two pages']));
  });
});

describe('folds among lines that move', () => {
  it.each<[string, string, number[], number, OutlineCommand]>([
    ['down, past a section that is folded too', '# A\n- one\n  - a\n# B\n- two\n  - b\n# C', [0, 3], 0, 'down'],
    ['up', '- one\n- two\n  - b\n    - c', [1, 2], 1, 'up'],
    ['in', '- one\n- two\n  - b', [1], 1, 'in'],
    ['out', '- one\n  - two\n    words', [1], 1, 'out'],
  ])('%s: the same lines stay out of sight', (_, text, folds, line, command) => {
    const view = testView(text, folding);
    for (const fold of folds) toggleFold(view, fold);
    const before = hidden(view).sort();
    expect(before.length).toBeGreaterThan(0);
    view.dispatch({ selection: { anchor: view.state.doc.line(line + 1).from } });
    expect(runOutline(view, command)).toBe(true);
    expect(view.state.doc.toString()).not.toBe(text);
    expect(hidden(view).sort()).toEqual(before);
  });
});

describe('close-up', () => {
  const view = testView(TEXT);
  const shown = (line: number): string | null => {
    const range = closeUpAt(view.state, line);
    return range && view.state.sliceDoc(range.from, range.to);
  };

  it('shows an item with what is under it, or a section', () => {
    expect(shown(2)).toBe('  - [ ] North door\n    - [ ] key');
    expect(shown(8)).toBe('## Letters\n- one\n\nplain');
    expect(closeUpAt(testView('plain').state, 0)).toBeNull();
  });

  it('names what stands above, the outermost first', () => {
    const trail = (line: number): string[] => trailOf(noteNow(view.state), line).map(({ words }) => words);
    expect(trail(3)).toEqual(['Loans', 'Crates', 'North door']);
    expect(trail(8)).toEqual(['Loans']);
    expect(trail(9)).toEqual(['Loans', 'Letters']);
    expect(trail(12)).toEqual([]);
    expect(trail(13)).toEqual(['Build']);
  });
});
