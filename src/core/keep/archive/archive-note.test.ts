import { archivedFrom, archivedNote, broughtBackNote } from './archive-note';

const DAY = 20780;

it.each([
  ['a note without front matter', '- [x] a\nwords\n'],
  ['one with keys of its own', '---\ntags: [loans]\n# a comment\nown: 3\n---\n- [x] a\n'],
  ['a settled project', '---\nkind: project\nstate: cancelled\ndue: 2026-11-01\n---\n- [x] a\n'],
  ['a person', '---\nkind: person\nhandle: kofi\n---\n'],
])('%s comes back from the archive with the same bytes', (_, text) => {
  const archived = archivedNote(text, 'Projects/Catalogue.md', DAY);
  expect(archivedFrom(archived)).toBe('Projects/Catalogue.md');
  expect(broughtBackNote(archived)).toBe(text);
});

it('a project that is archived is done, and stays so', () => {
  const archived = archivedNote('---\nkind: project\n---\n', 'Projects/Catalogue.md', DAY);
  expect(archived).toBe('---\nkind: archive\nwas: project\nfrom: "[[Projects/Catalogue]]"\narchived: 2026-11-23\nstate: done\n---\n');
  expect(broughtBackNote(archived)).toBe('---\nkind: project\nstate: done\n---\n');
});

it.each([['words\n'], ['---\nkind: archive\n---\n- [x] a\n'], ['---\nfrom: "[[A]]"\narchived: 2026-11-23\n---\n']])(
  'nothing else came from anywhere: %j',
  (text) => expect(archivedFrom(text)).toBeNull(),
);
