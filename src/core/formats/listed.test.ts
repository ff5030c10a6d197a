import { type ListedRow, pathsOfLists, withoutSealed } from './listed';

const row = (path: string, what: ListedRow['what'] = 'task', steps: ListedRow[] = []): ListedRow => ({
  ...{ what, path, noteTitle: path, line: 0, steps },
});

describe('a list that is given to others', () => {
  it('holds nothing that stands in a sealed note: no task, no step, no title', () => {
    const lists = [
      {
        title: 'Open',
        groups: [
          { label: 'A', rows: [row('A.md', 'task', [row('Private/Diary.md.age'), row('A.md')]), row('Private/Diary.md.age')] },
          { label: null, rows: [row('Private/sealed-aaaabbbbccccdddd.md.age', 'note'), row('B.md', 'note')] },
        ],
      },
    ];
    expect(withoutSealed(lists)).toEqual([
      {
        title: 'Open',
        groups: [
          { label: 'A', rows: [row('A.md', 'task', [row('A.md')])] },
          { label: null, rows: [row('B.md', 'note')] },
        ],
      },
    ]);
    expect(pathsOfLists(withoutSealed(lists))).toEqual(['A.md']);
  });
});
