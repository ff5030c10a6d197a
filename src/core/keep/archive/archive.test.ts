import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { shelfOf } from '../../index/live/shelf';
import { ACTION_DEFAULTS, type ActionContext } from '../../task/acts/action-context';
import { moveTogether } from '../../task/acts/act-across';
import { readNote } from '../../task/reading/read-note';
import { isOpen } from '../../task/line/status';
import type { LineRef } from '../../task/writing/edit';
import { ARCHIVE_DEFAULTS, type ArchiveSettings, archivePlace } from './archive-place';
import { bringBack } from './bring-back';
import { fromLine, readFromLine } from './from-line';
import { planArchive } from './plan-archive';
import { runs } from '../../testing/test-runs';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const CONTEXT: ActionContext = { now: { day: TODAY, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

type Notes = Record<string, string>;
const shelf = (notes: Notes) => shelfOf(Object.entries(notes).map(([path, text]) => ({ path, text })));

/** Every task of some notes, as a list gives them. */
const refsOf = (notes: Notes, which: (path: string) => boolean = () => true): LineRef[] =>
  Object.entries(notes)
    .filter(([path]) => which(path))
    .flatMap(([path, text]) => readNote(path, text).tasks.map(({ line, raw }) => ({ path, line, expected: raw })));

async function archived(notes: Notes, refs = refsOf(notes), settings: ArchiveSettings = ARCHIVE_DEFAULTS, to: string | null = null) {
  const plan = await planArchive(shelf(notes), refs, settings, CONTEXT, to);
  const moved = await moveTogether(shelf(notes), plan.going, 'archive', CONTEXT);
  const after = { ...notes };
  for (const { path, text } of moved?.texts.values() ?? []) after[path] = text;
  return { plan, after, refused: moved?.refused.filter((one) => one !== null) ?? [] };
}

describe('where finished lines go', () => {
  const settings: ArchiveSettings = {
    archiveFolders: [
      { folder: 'Projects', note: 'Archive/Projects' },
      { folder: 'Projects/Old', note: '[[Old projects]]' },
    ],
    shelves: [
      { tag: 'books', note: 'Shelves/Books read' },
      { tag: 'rounds', note: 'Shelves/Rounds' },
    ],
    archiveNote: 'Archive/{year}',
  };
  it.each([
    ['the note says it', 'A.md', { archive: '[[Archive/Own]]' }, ['books'], 'Archive/Own'],
    ['its folder', 'Projects/Catalogue.md', {}, ['books'], 'Archive/Projects'],
    ['the nearest of two folders', 'Projects/Old/Deep/Catalogue.md', {}, [], 'Old projects'],
    ['the first tag in the order of the settings', 'A.md', {}, ['rounds', 'books'], 'Shelves/Books read'],
    ['the year', 'A.md', {}, ['loans'], 'Archive/2026'],
    ['an empty word of the note says nothing', 'A.md', { archive: ' ' }, [], 'Archive/2026'],
  ])('%s', (_, path, fields, tags, wanted) => expect(archivePlace(path, fields, tags, settings, TODAY)).toBe(wanted));

  it('a line says where they came from, and is read again', () => {
    expect(fromLine('Projects/Catalogue.md', TODAY)).toBe('from [[Projects/Catalogue]], 2026-11-23');
    expect(readFromLine('from [[Projects/Catalogue]], 2026-11-23')).toEqual({ path: 'Projects/Catalogue', day: TODAY });
    for (const line of ['from [[A]]', 'from [[A]], 2026-02-30', 'from A, 2026-11-23', 'words from [[A]], 2026-11-23'])
      expect(readFromLine(line)).toBeNull();
  });
});

describe('what is archived', () => {
  it.each([
    ['a finished item with all under it', '- [x] a\n  words\n  - plain\n- [ ] b\n', '- [ ] b\n', '- [x] a\n  words\n  - plain\n', {}],
    ['the outermost finished one', '- [x] a\n  - [x] b\n', '', '- [x] a\n  - [x] b\n', {}],
    ['not one with open steps', '- [x] a\n  - [ ] b\n', null, null, { 'open steps': 1, open: 1 }],
    ['not a finished step of an open task', '- [ ] a\n  - [x] b\n', null, null, { 'open task': 1, open: 1 }],
    ['under a bullet, at the margin', '- around\n  - [-] a\n', '- around\n', '- [-] a\n', {}],
  ])('%s', async (_, text, left, gone, why) => {
    const { plan, after } = await archived({ 'A.md': text });
    expect(after['A.md']).toBe(left ?? text);
    expect(after['Archive/2026.md'] ?? null).toBe(gone === null ? null : `---\nkind: archive\n---\n\nfrom [[A]], 2026-11-23\n\n${gone}`);
    expect(plan.left).toMatchObject(why);
  });

  it('under its headings, behind what came from the same note that day', async () => {
    const first = await archived(
      { 'A.md': '# Loans\n- [x] a\n- [x] b\n', 'B.md': '# Loans\n- [x] c\n' },
      undefined,
      ARCHIVE_DEFAULTS,
      'Old',
    );
    expect(first.after['Old.md']).toBe(
      '---\nkind: archive\n---\n\n# Loans\n\nfrom [[A]], 2026-11-23\n\n- [x] a\n- [x] b\n\nfrom [[B]], 2026-11-23\n\n- [x] c\n',
    );
    const again = { ...first.after, 'B.md': '# Loans\n- [x] d\n' };
    const second = await archived(again, refsOf(again), ARCHIVE_DEFAULTS, 'Old');
    expect(second.plan.left.archived).toBe(3);
    expect(second.after['Old.md']).toBe(`${first.after['Old.md'] ?? ''}- [x] d\n`);
  });

  it('many notes into one archive, each under its own headings, and what has none before all headings', async () => {
    const notes: Notes = { 'Old.md': '---\nkind: archive\n---\n\n# Loans\n\nwords of the archive\n' };
    for (const name of ['C', 'A', 'B'])
      notes[`${name}.md`] =
        `- [x] ${name} free\n\n# Loans\n- [x] ${name} loan\n\n## Crates\n- [x] ${name} crate\n\n# Lamps\n\n## Crates\n- [x] ${name} lamp crate\n`;
    const { after, refused } = await archived(notes, undefined, ARCHIVE_DEFAULTS, 'Old');
    expect(refused).toEqual([]);
    const headings = readNote('Old.md', after['Old.md'] ?? '').tasks.map(({ text, headings: under }) => [text, under.join(' › ')]);
    const wanted = (what: string, under: string): string[][] => ['C', 'A', 'B'].map((name) => [`${name} ${what}`, under]);
    expect(headings).toEqual([
      ...wanted('free', ''),
      ...wanted('loan', 'Loans'),
      ...wanted('crate', 'Loans › Crates'),
      ...wanted('lamp crate', 'Lamps › Crates'),
    ]);
    expect(after['Old.md']?.match(/^#.*$/gm)).toEqual(['# Loans', '## Crates', '# Lamps', '## Crates']);
    expect(after['Old.md']).toContain(
      'words of the archive\n\nfrom [[C]], 2026-11-23\n\n- [x] C loan\n\nfrom [[A]], 2026-11-23\n\n- [x] A loan\n',
    );
  });

  it('nothing is made of an archive to which nothing came', async () => {
    const { after, refused } = await archived({ 'A.md': '- [x] a\n', 'Old.md': '```\nopen code' }, undefined, ARCHIVE_DEFAULTS, 'Old');
    expect([refused.length, after['A.md'], after['Old.md']]).toEqual([1, '- [x] a\n', '```\nopen code']);
  });

  it('a note is not its own archive', async () => {
    const { plan, after } = await archived({ 'A.md': '---\narchive: "[[A]]"\n---\n- [x] a\n' });
    expect([plan.going, plan.left['own archive'], Object.keys(after)]).toEqual([[], 1, ['A.md']]);
  });

  it('what is given twice, or is not there any more, goes once or not at all', async () => {
    const [ref] = refsOf({ 'A.md': '- [x] a\n' });
    const { plan } = await archived({ 'A.md': '- [x] a\n' }, ref ? [ref, ref, { ...ref, expected: '- [x] other', line: 7 }] : []);
    expect([plan.going.length, plan.left.gone]).toEqual([1, 1]);
  });
});

const LINE = fc
  .tuple(fc.constantFrom('', '  ', '    '), fc.constantFrom('- [x] ', '- [-] ', '- [ ] ', '- [x] ', '- ', '1. [x] ', '* [x] '), fc.nat(20))
  .map(([indent, marker, number]) => `${indent}${marker}words ${number}`);
const TEXT = fc
  .tuple(
    fc.array(fc.oneof({ weight: 5, arbitrary: LINE }, fc.constantFrom('', '# Loans', '## Crates #loans', 'words', '  words', '***')), {
      minLength: 1,
      maxLength: 14,
    }),
    fc.constantFrom('\n', '\r\n'),
    fc.boolean(),
  )
  .map(([lines, ending, closed]) => lines.join(ending) + (closed ? ending : ''));
const NOTES = fc.tuple(TEXT, TEXT).map(([a, b]): Notes => ({ 'A.md': a, 'Projects/B.md': b }));

const linesOf = (notes: Notes): string[] =>
  Object.values(notes)
    .flatMap((text) => text.split(/\r\n|\n/))
    .map((line) => line.trim())
    .filter((line) => /words/.test(line))
    .sort();

describe('laws', () => {
  it('no line is lost or doubled, and nothing open goes', async () => {
    await fc.assert(
      fc.asyncProperty(NOTES, async (notes) => {
        const { after, refused } = await archived(notes);
        expect(refused.filter((reason) => !/shares its line|swallow|code block|something else/.test(reason))).toEqual([]);
        expect(linesOf(after)).toEqual(linesOf(notes));
        const kept = readNote('x', after['Archive/2026.md'] ?? '').tasks;
        expect(kept.some(({ status }) => isOpen(status))).toBe(false);
      }),
      { numRuns: runs(600), seed: 20261128 },
    );
  });

  it('archived and brought back, in any order, is the same bytes', async () => {
    await fc.assert(
      fc.asyncProperty(NOTES, fc.boolean(), async (notes, backwards) => {
        const { after } = await archived(notes);
        const present = { ...after };
        for (let round = 0; round < 60; round++) {
          const archive = present['Archive/2026.md'] ?? '';
          const tops = readNote('Archive/2026.md', archive).tasks.filter((task) => task.parent === -1);
          const task = backwards ? tops.at(-1) : tops[0];
          if (!task) break;
          const back = [notes['A.md'], notes['Projects/B.md']].map((before) =>
            bringBack(shelf(present), { path: 'Archive/2026.md', line: task.line, expected: task.raw }, before ?? null, CONTEXT),
          );
          const from = 'to' in (back[0] ?? {}) && (back[0] as { to: string }).to === 'A.md' ? back[0] : back[1];
          if (!from || 'refused' in from) throw new Error(`refused: ${from?.refused ?? ''}`);
          for (const { path, text } of from.files) present[path] = text;
        }
        expect([present['A.md'], present['Projects/B.md']]).toEqual([notes['A.md'], notes['Projects/B.md']]);
        // Nothing of what said where it all came from is left.
        expect((present['Archive/2026.md'] ?? '---\nkind: archive\n---\n').trimEnd()).toBe('---\nkind: archive\n---');
      }),
      { numRuns: runs(400), seed: 20261128 },
    );
  });
});

describe('bringing back', () => {
  const ARCHIVE =
    '---\nkind: archive\n---\n\n# Loans\n\nfrom [[A]], 2026-11-20\n\n- [x] a\n- [x] b\n\n## Crates\n\nfrom [[A]], 2026-11-21\n\n- [x] c\n';
  const back = (notes: Notes, line: number, before: string | null = null) =>
    bringBack(shelf(notes), { path: 'Old.md', line, expected: notes['Old.md']?.split('\n')[line] ?? '' }, before, CONTEXT);

  it('without what the note said then, to the end of its headings, which are made where they went', () => {
    expect(back({ 'Old.md': ARCHIVE, 'A.md': '# Loans\n- [ ] d\n' }, 9)).toEqual({
      to: 'A.md',
      files: [
        { path: 'Old.md', text: ARCHIVE.replace('- [x] b\n', '') },
        { path: 'A.md', text: '# Loans\n- [ ] d\n- [x] b\n' },
      ],
    });
    expect(back({ 'Old.md': ARCHIVE, 'A.md': 'words\n' }, 15)).toMatchObject({
      files: [
        { text: '---\nkind: archive\n---\n\n# Loans\n\nfrom [[A]], 2026-11-20\n\n- [x] a\n- [x] b\n' },
        { text: 'words\n\n# Loans\n\n## Crates\n\n- [x] c\n' },
      ],
    });
  });

  it('stands where it stood, though the note changed around it', () => {
    const before = '# Loans\n- [ ] first\n- [x] a\n- [ ] last\n';
    expect(back({ 'Old.md': ARCHIVE, 'A.md': '# Loans\n- [ ] new\n- [ ] first\n- [ ] last, reworded\n' }, 8, before)).toMatchObject({
      files: [{}, { text: '# Loans\n- [ ] new\n- [ ] first\n- [x] a\n- [ ] last, reworded\n' }],
    });
  });

  it.each([
    ['Nothing says where this came from; move it to a note instead. Nothing was changed.', '- [x] a\n', 0],
    [
      'The note “B”, where this came from, is not there any more; move it to another. Nothing was changed.',
      'from [[B]], 2026-11-20\n\n- [x] a\n',
      2,
    ],
    ['That line is no list item, so nothing was changed.', '# Loans\n', 0],
  ])('is refused: %s', (reason, text, line) => expect(back({ 'Old.md': text }, line)).toEqual({ refused: reason }));
});
