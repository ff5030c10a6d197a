import type { NoteSummary } from '../../../core/index/live/overview';
import { notesNamed } from './notes-named';

const note = (path: string): NoteSummary => ({
  path,
  title: path.replace(/^.*\/|\.md$/g, ''),
  kind: 'note',
  journal: null,
  journalSaid: false,
  open: 0,
  closed: 0,
});
const paths = (notes: readonly NoteSummary[]): string[] => notes.map((one) => one.path);

describe('the notes that a menu offers', () => {
  const many = Array.from({ length: 1000 }, (_, index) => note(`Collections/Note ${index}.md`));

  it('leaves a small library whole, so that the menu may match as loosely as it likes', () => {
    expect(paths(notesNamed([note('b.md'), note('a.md')], 'zzz', 5))).toEqual(['b.md', 'a.md']);
  });

  it('finds a note behind the first few hundred', () => {
    expect(paths(notesNamed([...many, note('Exhibitions/Salt on the Glass.md')], 'glass SALT', 300))).toEqual([
      'Exhibitions/Salt on the Glass.md',
    ]);
    expect(paths(notesNamed(many, 'note 999', 300))).toEqual(['Collections/Note 999.md']);
  });

  it('gives no more than fit', () => {
    expect(notesNamed(many, '', 300)).toHaveLength(300);
    expect(notesNamed(many, 'collections', 300)).toHaveLength(300);
    expect(notesNamed(many, 'nothing of the kind', 300)).toEqual([]);
  });
});
