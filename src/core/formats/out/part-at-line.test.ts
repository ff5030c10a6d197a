import { lineText, splitLines } from '../../note/blocks/lines';
import { partAtLine } from './part-at-line';

const NOTE = ['# Crates', '- [ ] Lens', '  - [ ] Pack it', '- Glass', '', 'Words.', '# Post', '- [ ] Stamps', ''];

/** The lines that go out, asked for when the note was as above. */
function taken(expected: string, now: readonly string[] = NOTE, ending = '\n'): string[] | null {
  const lines = splitLines(now.join(ending));
  const range = partAtLine(lines, { line: NOTE.indexOf(expected), expected });
  return range && Array.from({ length: range.to - range.from }, (_, at) => lineText(lines, range.from + at));
}

it('a line goes out with all under it: an item, a section, else it alone', () => {
  expect(taken('- [ ] Lens')).toEqual(['- [ ] Lens', '  - [ ] Pack it']);
  expect(taken('# Crates')?.slice(0, 4)).toEqual(['# Crates', '- [ ] Lens', '  - [ ] Pack it', '- Glass']);
  expect(taken('# Crates')).not.toContain('# Post');
  expect(taken('Words.')).toEqual(['Words.']);
  expect(taken('- [ ] Lens', NOTE, '\r\n')).toEqual(['- [ ] Lens', '  - [ ] Pack it']);
});

it('it is found where it went meanwhile, with what stands under it now, and never another', () => {
  expect(taken('- Glass', ['Came above', ...NOTE])).toEqual(['- Glass']);
  expect(taken('- [ ] Lens', ['Secret', '- [ ] Lens', '- Glass'])).toEqual(['- [ ] Lens']);
  expect(taken('- [ ] Lens', ['# Crates', '- [ ] Salaries', '- Glass'])).toBeNull();
  expect(taken('- Glass', ['- Glass', 'and', '- Glass', ''])).toBeNull();
});
