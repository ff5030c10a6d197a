import fc from 'fast-check';
import { alignedLines } from '../../note/compare/aligned-lines';
import { aroundOf, followedPart, itemWithRef } from './follow-part';
import { lentText } from './lent-lines';
import { type LentKind, type LentPart, partAt } from './lent-part';
import { mendedLine } from './mended-line';
import { type PutIn, putIn } from './put-in';
import { runs } from '../../testing/test-runs';

const NOTE = [
  '---',
  'kind: project',
  '---',
  '# Lighthouse loan',
  '- [ ] Ask for the papers {ref p4p3rs; due 2026-12-04}',
  '  - [ ] Condition of the lens {needs p4p3rs; joined Team; ref l3ns00}',
  '    It is chipped on one side.',
  '  - [x] Value {done 2026-11-20}',
  '- [ ] Book the courier',
  '',
  '## Insurance',
  'Nail to nail.',
  '# Secret',
  'Nobody may read this.',
].join('\n');

const part = (kind: LentKind, line: number, text = NOTE): LentPart => partAt(text, line, kind) as LentPart;
const put = (text: string, given: string, kind: LentKind, line: number): PutIn => {
  const done = putIn(text, part(kind, line, text), given);
  if ('refused' in done) throw new Error(done.refused);
  return done;
};

describe('what is lent', () => {
  it('of an item is it with all under it, at the margin, without what ties it to others', () => {
    expect(lentText(NOTE, part('item', 5))).toBe('- [ ] Condition of the lens\n  It is chipped on one side.');
    expect(lentText(NOTE, part('item', 4))).toBe(
      '- [ ] Ask for the papers {due 2026-12-04}\n  - [ ] Condition of the lens\n    It is chipped on one side.\n  - [x] Value {done 2026-11-20}',
    );
  });

  it('of a heading is its section, and of a note all but the front matter', () => {
    expect(lentText(NOTE, part('section', 10))).toBe('## Insurance\nNail to nail.');
    expect(lentText(NOTE, part('note', 0)).split('\n')).toHaveLength(11);
    expect(lentText(NOTE, part('note', 0))).not.toMatch(/kind: project|ref |needs |joined /);
  });

  it('is nothing where no item and no heading begins', () => {
    expect(partAt(NOTE, 6, 'item')).toBeNull();
    expect(partAt(NOTE, 4, 'section')).toBeNull();
  });

  it('of code is what it says: only items have what is kept back', () => {
    const text = '# Code\n```\n- [ ] a {ref abc123}\n```';
    expect(lentText(text, part('section', 0, text))).toBe(text);
  });
});

describe('what others wrote', () => {
  it('goes into the note at its indent, with what was kept back of its lines', () => {
    const { text } = put(
      NOTE,
      '- [x] Condition of the lens {done 2026-11-29}\n  It is chipped on one side, and below.\n  - [ ] Photograph it',
      'item',
      5,
    );
    expect(text.split('\n').slice(4, 9)).toEqual([
      '- [ ] Ask for the papers {ref p4p3rs; due 2026-12-04}',
      '  - [x] Condition of the lens {needs p4p3rs; joined Team; ref l3ns00; done 2026-11-29}',
      '    It is chipped on one side, and below.',
      '    - [ ] Photograph it',
      '  - [x] Value {done 2026-11-20}',
    ]);
  });

  it('claims nothing: a ref that is written there is none', () => {
    const { text } = put(NOTE, '- [ ] Book the courier {ref p4p3rs; joined Team}', 'item', 8);
    expect(text).toBe(NOTE);
  });

  it.each([
    [
      'an item beside it comes under it',
      '- [ ] Book the courier\n- [ ] Another\n  - [ ] Step',
      '- [ ] Book the courier\n  - [ ] Another\n    - [ ] Step',
    ],
    ['it was deleted: it stays, and bears what is left', 'Only words', '- [ ] Book the courier\n  Only words'],
    ['all of it was deleted: it stays', '', '- [ ] Book the courier'],
    ['it was moved in: it stays where it is', '  - [ ] Book the courier\n    - [ ] Step', '- [ ] Book the courier\n  - [ ] Step'],
    ['it ends with lines without words: they stay there', '- [ ] Book the courier\n\n\n', '- [ ] Book the courier'],
  ])('of an item: %s', (_, given, wanted) => {
    const { text, part: after } = put(NOTE, given, 'item', 8);
    expect(lentText(text, after)).toBe(wanted);
    expect(text.endsWith('\n\n## Insurance\nNail to nail.\n# Secret\nNobody may read this.')).toBe(true);
  });

  it.each([
    ['a heading as high comes below it', '## Insurance\n# Mine\nx\nYours\n===\ny', '## Insurance\n### Mine\n### x Yours\n\n\ny'],
    ['it was deleted: it stays', 'Nail to nail.', '## Insurance\nNail to nail.'],
    ['code that nobody closed is closed', '## Insurance\n```\nopen', '## Insurance\n```\nopen\n```'],
    ['a remark that nobody closed is closed', '## Insurance\n<!-- open', '## Insurance\n<!-- open\n-->\n'],
    ['signs that steer a machine are left out', '## Insurance\u0000\r\nNail\ufeff', '## Insurance\nNail'],
  ])('of a section: %s', (_, given, wanted) => {
    const { text, part: after } = put(NOTE, given, 'section', 10);
    expect(lentText(text, after)).toBe(wanted);
    expect(text.endsWith('\n# Secret\nNobody may read this.')).toBe(true);
    expect(text.startsWith(NOTE.slice(0, NOTE.indexOf('## Insurance')))).toBe(true);
  });

  it('becomes no front matter of a note that has none', () => {
    const text = 'Words';
    expect(put(text, '---\nkind: template\n---\nWords', 'note', 0).text).toBe('\n---\nkind: template\n---\nWords');
  });

  it('brings what was kept back again when its line comes back, as by Undo', () => {
    const away = put(NOTE, '- [ ] Ask for the papers {due 2026-12-04}', 'item', 4);
    expect(away.text).not.toContain('l3ns00');
    const back = putIn(away.text, away.part, lentText(NOTE, part('item', 4)), away.gone);
    expect(back).toMatchObject({ text: NOTE, gone: [] });
  });

  it('keeps the endings of lines that stayed', () => {
    const text = '# A\r\n- [ ] one\r\n- [ ] two\n# B\r\n';
    expect(put(text, '# A\n- [ ] one\n- [ ] more\n- [ ] two', 'section', 0).text).toBe(
      '# A\r\n- [ ] one\r\n- [ ] more\r\n- [ ] two\n# B\r\n',
    );
  });
});

describe('where a part is after the note changed', () => {
  const follow = (after: string, kind: LentKind, line: number, ref: string | null = null) =>
    followedPart(NOTE, part(kind, line), after, ref);

  it('moves along with lines above, and holds what was written in it', () => {
    const after = NOTE.replace('# Lighthouse loan', '# Lighthouse loan\nMore\nand more').replace('Nail to nail.', 'Nail\nto nail.');
    expect(follow(after, 'section', 10)).toEqual({ kind: 'section', first: 12, last: 14 });
  });

  it('is found by its ref wherever it stands, also in another note', () => {
    expect(itemWithRef('# Elsewhere\n- [ ] Lens {ref l3ns00}\n', 'l3ns00')).toBe(1);
    expect(itemWithRef('- a {ref l3ns00}\n- b {ref l3ns00}', 'l3ns00')).toBeNull();
    const inNote = NOTE.replace(/\n {2}- \[ \] Cond.*\n.*/, '') + '\n- [ ] Condition of the lens {ref l3ns00}\n  Mended.';
    expect(follow(inNote, 'item', 5, 'l3ns00')).toEqual({ kind: 'item', first: 12, last: 13 });
  });

  it('is found where its heading was reworded, or stands alone elsewhere; of two it is none', () => {
    expect(follow(NOTE.replace('## Insurance', '## Insured'), 'section', 10)?.first).toBe(10);
    const moved = NOTE.replace('\n## Insurance\nNail to nail.', '').replace('# Lighthouse', '## Insurance\nNail to nail.\n# Lighthouse');
    expect(follow(moved, 'section', 10)).toEqual({ kind: 'section', first: 3, last: 4 });
    expect(follow(NOTE.replace('\n## Insurance', ''), 'section', 10)).toBeNull();
  });

  it.each([
    ['a fence that is being typed', NOTE.replace('Nail to nail.', 'Nail to nail.\n```'), '## Insurance\nNail to nail.\n```'],
    ['a remark that is being typed', NOTE.replace('Nail to nail.', 'Nail to nail.\n<!--'), '## Insurance\nNail to nail.\n<!--'],
    ['the next heading deleted', NOTE.replace('# Secret\n', ''), '## Insurance\nNail to nail.'],
    ['the next heading made a lower one', NOTE.replace('# Secret', '### Secret'), '## Insurance\nNail to nail.\n### Secret'],
  ])('shows nothing that stood outside: %s', (_, after, wanted) => {
    const found = follow(after, 'section', 10) as LentPart;
    expect(lentText(after, found)).toBe(wanted);
    // And it stays so, whatever is written next.
    const later = after.replace('Nail to nail.', 'Nail to nail, and back.');
    expect(lentText(later, followedPart(after, found, later, null) as LentPart)).toBe(wanted.replace('nail.', 'nail, and back.'));
  });

  it('holds what its owner moved into it', () => {
    const after = NOTE.replace('\n# Secret\nNobody may read this.', '\nNobody may read this.\n# Secret');
    expect(lentText(after, follow(after, 'section', 10) as LentPart)).toBe('## Insurance\nNail to nail.\nNobody may read this.');
  });

  it('keeps front matter outside, also where its end was deleted', () => {
    const after = NOTE.replace('\n---\n# Light', '\n# Light');
    expect(lentText(after, follow(after, 'note', 0) as LentPart)).not.toContain('kind: project');
  });
});

describe('whatever others write', () => {
  const LINE = fc
    .tuple(
      fc.constantFrom('', '  ', '    ', '\t', '> '),
      fc.constantFrom('- ', '- [ ] ', '- [x] ', '1. ', '', '# ', '## ', '```', '~~~', '<!--', '-->', '---', '===', '<script>', '[x]: '),
      fc.constantFrom('a', 'b', '', 'a {ref abc123}', 'b {needs abc123; due 2026-12-01}', '-'),
    )
    .map((parts) => parts.join(''));
  const TEXT = fc.array(LINE, { minLength: 1, maxLength: 9 });
  const ENDING = fc.constantFrom('\n', '\r\n');

  it('nothing outside of the part changes, not a byte of it and not what it means', () => {
    fc.assert(
      fc.property(TEXT, TEXT, ENDING, fc.constantFrom<LentKind>('item', 'section', 'note'), fc.nat(8), (note, given, ending, kind, at) => {
        const text = note.join(ending);
        const found = partAt(text, kind === 'note' ? 0 : at % note.length, kind);
        if (!found) return;
        const done = putIn(text, found, given.join('\n'));
        if ('refused' in done) return;
        const lines = text.split(ending);
        const head = lines
          .slice(0, found.first)
          .map((line) => line + ending)
          .join('');
        const foot = lines
          .slice(Math.max(found.first, found.last + 1))
          .map((line) => ending + line)
          .join('');
        expect(done.text.startsWith(head)).toBe(true);
        expect(done.text.endsWith(found.last < found.first ? '' : foot)).toBe(true);
        expect(aroundOf(done.text, done.part)).toBe(aroundOf(text, found));
        // Put in once more it changes nothing: both sides come to rest.
        const again = putIn(done.text, done.part, lentText(done.text, done.part), done.gone);
        expect(again).toMatchObject({ text: done.text });
      }),
      { numRuns: runs(3000), seed: 20261129 },
    );
  });

  it('what reads well is taken as it is', () => {
    const GOOD = fc.array(
      fc
        .tuple(fc.constantFrom('  - [ ] ', '  - [x] ', '  ', '    '), fc.constantFrom('crate', 'lens', 'glass'))
        .map((parts) => parts.join('')),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(GOOD, (lines) => {
        const given = ['- [ ] Book the courier', ...lines].join('\n');
        const done = put(NOTE, given, 'item', 8);
        expect(lentText(done.text, done.part)).toBe(given);
      }),
      { numRuns: runs(300), seed: 20261129 },
    );
  });

  it('lines are aligned as they are, and unequal ones never', () => {
    const words = fc.array(fc.constantFrom('a', 'b', 'c', ''), { maxLength: 8 });
    fc.assert(
      fc.property(words, words, (a, b) => {
        const aligned = alignedLines(a, b);
        expect(aligned).toHaveLength(b.length);
        const found = aligned.filter((one) => one !== -1);
        expect(found).toEqual([...new Set(found)].sort((x, y) => x - y));
        aligned.forEach((from, at) => from !== -1 && expect(a[from]).toBe(b[at]));
      }),
    );
  });
});

describe('a line that two changed at once', () => {
  it.each([
    ['- [xx] Pack', '- [ ] Pack', '- [x] Pack'],
    ['- [_x] Pack', '- [ ] Pack', '- [x] Pack'],
    ['  1. [-_] Pack', '  1. [ ] Pack', '  1. [-] Pack'],
    ['- [12] Pack', '- Pack', '- [12] Pack'],
    ['- [x] Pack {done 2026-11-29} {done 2026-11-28}', '- [ ] Pack', '- [x] Pack {done 2026-11-29}'],
    ['- [ ] Pack {due 2026-12-04} {plan 2026-12-01}', '- [ ] Pack', '- [ ] Pack {due 2026-12-04; plan 2026-12-01}'],
    ['- [ ] Pack {due 2026-12-042026-12-05}', '- [ ] Pack {due 2026-12-01}', '- [ ] Pack {due 2026-12-04}'],
    ['- [ ] Pack {due 32026-12-05; top}', '- [ ] Pack {due 2026-12-01; top}', '- [ ] Pack {due 2026-12-05; top}'],
    ['- [ ] Pack both words', '- [ ] Pack', '- [ ] Pack both words'],
  ])('%j of %j is %j', (line, before, wanted) => {
    expect(mendedLine(line, before)).toBe(wanted);
  });
});
