import type { NoteSummary } from '../../../core/index/live/overview';
import { type FoldedPages, agendaPages, folderAt, folderTree, rackPages, treeLines, type Folder } from './folder-tree';

const note = (path: string, open = 0, kind: NoteSummary['kind'] = 'note'): NoteSummary => ({
  path,
  title: path.replace(/^.*\/|\.md$/g, ''),
  kind,
  journal: null,
  journalSaid: false,
  open,
  closed: 0,
});
const drawn = (folder: Folder): unknown[] => [
  ...folder.folders.map((inner) => [inner.name, inner.open, ...drawn(inner)]),
  ...folder.notes.map((one) => one.title),
];

describe('the rack', () => {
  it('puts notes into their folders, with the open tasks in and below each', () => {
    const top = folderTree([note('b.md', 1), note('F/G/c.md', 2), note('F/a.md', 3), note('Agenda/Today.md', 0, 'agenda')]);
    expect(drawn(top)).toEqual([['F', 5, ['G', 2, 'c'], 'a'], 'b']);
    expect(top.open).toBe(6);
  });

  it('finds a folder at any depth, whatever the case', () => {
    const top = folderTree([note('b.md'), note('F/G/c.md'), note('F/a.md')]);
    expect(folderAt(top, '')?.notes.map(({ title }) => title)).toEqual(['b']);
    expect(folderAt(top, 'f/g')?.notes.map(({ title }) => title)).toEqual(['c']);
    expect(folderAt(top, 'F/H')).toBeNull();
    expect(folderAt(top, 'FG')).toBeNull();
  });

  it('shows the newest journal page first', () => {
    const top = folderTree([note('Journal/2026-11-20.md'), note('Journal/2026-11-23.md')]);
    expect(top.folders[0]?.notes.map((one) => one.title)).toEqual(['2026-11-23', '2026-11-20']);
  });

  it('shows the shipped agenda pages in their order, then a person’s own', () => {
    const pages = ['Agenda/Zebra.md', 'Mine/Answers.md', 'Agenda/Undated.md', 'Agenda/Today.md', 'Agenda/Ahead.md'].map((path) =>
      note(path, 0, 'agenda'),
    );
    expect(agendaPages([...pages, note('x.md')]).map((one) => one.title)).toEqual(['Today', 'Ahead', 'Undated', 'Answers', 'Zebra']);
  });

  it('keeps the daily pages and a person’s own in sight, and folds the others under their folders', () => {
    const of = (path: string, foot?: string): NoteSummary => ({ ...note(path, 0, 'agenda'), ...(foot !== undefined && { foot }) });
    const paths = ['Agenda/Finished.md', 'Agenda/Today.md', 'Agenda/Loans/Abroad.md', 'Agenda/Zebra.md', 'Mine/Answers.md'];
    const { daily, folded } = rackPages([...paths.map((path) => of(path)), of('Agenda/Feet/Foot of a tag.md', 'tag')]);
    expect(daily.map(({ title }) => title)).toEqual(['Today', 'Answers', 'Zebra']);
    const words = ({ title, pages, inner }: FoldedPages): unknown[] => [title, ...pages.map((page) => page.title), ...inner.map(words)];
    expect(folded.map(words)).toEqual([
      ['More pages', 'Finished', ['Feet', 'Foot of a tag']],
      ['Loans', 'Abroad'],
    ]);
  });

  it('draws below an open folder what it holds, and a closed one alone', () => {
    const top = folderTree([note('b.md'), note('F/G/c.md'), note('F/a.md'), note('Journal/2026-11-23.md')]);
    const lines = treeLines(top, (folder) => folder.path !== 'Journal').map((line) =>
      line.is === 'folder' ? `${line.depth} ${line.folder.name}${line.open ? '' : ' …'}` : `${line.depth} ${line.note.title}`,
    );
    expect(lines).toEqual(['0 F', '1 G', '2 c', '1 a', '0 Journal …', '0 b']);
  });
});
