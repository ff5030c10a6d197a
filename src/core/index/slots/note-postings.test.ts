import fc from 'fast-check';
import { NotePostings, type Named } from './note-postings';
import { runs } from '../../testing/test-runs';

const NAME = fc.constantFrom('loans', 'Loans', 'place/archive', 'place', 'build');
const CHANGE = fc.record({
  key: fc.constantFrom('a.md', 'b.md', 'c.md'),
  names: fc.option(fc.record({ tags: fc.uniqueArray(NAME), people: fc.uniqueArray(NAME), links: fc.uniqueArray(NAME) })),
});

/** The folded tags of a note and the levels above them. */
const levels = (tags: readonly string[]): Set<string> =>
  new Set(tags.flatMap((tag) => (tag.includes('/') ? [tag, tag.split('/')[0] ?? ''] : [tag])).map((tag) => tag.toLowerCase()));

it('whatever comes, goes and changes, a name leads to the notes that name it now', () => {
  fc.assert(
    fc.property(fc.array(CHANGE, { maxLength: 30 }), (changes) => {
      const postings = new NotePostings();
      const notes = new Map<string, Named>();
      for (const { key, names } of changes) {
        const before = notes.get(key);
        if (before) postings.remove(before);
        notes.delete(key);
        if (!names) continue;
        const note: Named = { key, number: -1, ...names };
        notes.set(key, note);
        postings.add(note);
      }
      const named = (by: (note: Named) => boolean): string[] => [...notes.values()].filter(by).map((note) => note.key);
      for (const name of ['loans', 'place', 'place/archive', 'build', 'absent']) {
        expect([...postings.withTag(name)].sort()).toEqual(named(({ tags }) => levels(tags).has(name)).sort());
        expect([...postings.withPerson(name)].sort()).toEqual(
          named(({ people }) => people.some((one) => one.toLowerCase() === name)).sort(),
        );
        expect([...postings.withLink(name)].sort()).toEqual(named(({ links }) => links.includes(name)).sort());
      }
    }),
    { numRuns: runs(500), seed: 20261123 },
  );
});

it('the lists are made anew when most of what they hold is gone', () => {
  const postings = new NotePostings();
  const kept: Named = { key: 'kept.md', number: -1, tags: ['loans'], people: [], links: [] };
  postings.add(kept);
  let last: Named | null = null;
  for (let round = 0; round < 5000; round++) {
    if (last) postings.remove(last);
    last = { key: 'changing.md', number: -1, tags: ['loans', `round-${round}`], people: [], links: [] };
    postings.add(last);
  }
  expect([...postings.withTag('loans')].sort()).toEqual(['changing.md', 'kept.md']);
  expect([...postings.withTag('round-4999')]).toEqual(['changing.md']);
  expect([...postings.withTag('round-17')]).toEqual([]);
  // The number of the last note tells how long the lists have become.
  expect(last?.number).toBeLessThan(2500);
});

it('a note that names the same takes the place of what it was', () => {
  const postings = new NotePostings();
  const before: Named = { key: 'a.md', number: -1, tags: ['loans'], people: [], links: [] };
  const after: Named = { ...before };
  postings.add(before);
  postings.replace(before, after);
  expect([...postings.withTag('loans')]).toEqual(['a.md']);
  postings.remove(before);
  expect([...postings.withTag('loans')]).toEqual(['a.md']);
  postings.remove(after);
  expect([...postings.withTag('loans')]).toEqual([]);
});
