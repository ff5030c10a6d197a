import { type Shown, shownAt } from './use-followed';

const FIRST: Shown = { key: 0, path: 'A.md', next: null };
const moved = (shown: Shown, next: string): Shown => ({ ...shown, next });

describe('the note that a page shows', () => {
  it('is the same where its path is the same, whatever its letters', () => {
    expect(shownAt(FIRST, 'a.MD')).toBe(FIRST);
  });

  it('is the same where it was moved to, and stays so until the path changes', () => {
    const going = moved(FIRST, 'B.md');
    expect(shownAt(going, 'A.md')).toBe(going);
    expect(shownAt(going, 'B.md')).toEqual({ key: 0, path: 'B.md', next: null });
  });

  it('is another one at any other path, also at one that it left', () => {
    expect(shownAt(FIRST, 'B.md').key).toBe(1);
    expect(shownAt(moved(FIRST, 'B.md'), 'C.md').key).toBe(1);
    const there = shownAt(moved(FIRST, 'B.md'), 'B.md');
    expect(shownAt(there, 'A.md').key).toBe(1);
    // Moved back, it is the same again.
    expect(shownAt(moved(there, 'A.md'), 'A.md').key).toBe(0);
  });
});
