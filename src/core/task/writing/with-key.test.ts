import { applyChanges } from './edit';
import { keyPointChanges } from './with-key';

const marked = (line: string): string => applyChanges(line, keyPointChanges(line));

describe('marking a line as a key point', () => {
  it.each([
    ['Six crates fit', '- Six crates fit {key}'],
    ['  > said so', '  > - said so {key}'],
    ['- Six crates fit', '- Six crates fit {key}'],
    ['  - measured twice', '  - measured twice {key}'],
    ['- [ ] Ask him {due 2026-11-25}', '- [ ] Ask him {due 2026-11-25; key}'],
    ['1. first', '1. first {key}'],
    ['> - said', '> - said {key}'],
  ])('%j: %j, and back', (line, after) => {
    expect(marked(line)).toBe(after);
    const back = marked(after);
    expect(back.replace('- ', '')).toBe(line.replace('- ', ''));
  });

  it('a line without words stays', () => expect(marked('   ')).toBe('   '));
});
