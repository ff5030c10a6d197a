import { NameTable, folderDistance } from './name-table';

describe('names of notes', () => {
  it.each([
    ['', '', 0],
    ['a', 'a', 0],
    ['', 'a/b', 2],
    ['a/b', 'a/c', 2],
    ['a/b/c', 'a', 2],
    ['ab', 'a', 2],
  ])('%j is %j steps from %j', (a, b, steps) => expect(folderDistance(a, b)).toBe(steps));

  it('a name means the note in the nearest folder, then the first by path', () => {
    const table = new NameTable();
    for (const path of ['exhibitions/loans.md', 'collections/intake/loans.md', 'meetings/loans.md']) table.add(['loans'], path);
    expect(table.pathOf('Loans', 'collections/frames.md')).toBe('collections/intake/loans.md');
    expect(table.pathOf('Loans', 'meetings/2026/opening.md')).toBe('meetings/loans.md');
    expect(table.pathOf('Loans')).toBe('collections/intake/loans.md');
    expect(table.pathOf('Frames')).toBeNull();
  });

  it('tells which names more than one note has, until only one is left', () => {
    const table = new NameTable();
    table.add(['loans', 'a'], 'a.md');
    table.add(['loans', 'b'], 'b.md');
    expect(table.sharedNames()).toEqual(['loans']);
    table.remove(['loans', 'a'], 'a.md');
    expect(table.sharedNames()).toEqual([]);
    expect(table.pathOf('loans')).toBe('b.md');
    table.remove(['loans', 'b'], 'b.md');
    expect(table.pathOf('loans')).toBeNull();
  });
});
