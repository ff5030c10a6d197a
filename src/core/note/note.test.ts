import fc from 'fast-check';
import { decodeUtf8 } from './blocks/decode';
import { readFrontMatter, readSimpleYaml } from './facts/front-matter';
import { editorText, storedText } from './blocks/line-endings';
import { lineText, splitLines } from './blocks/lines';
import { cleanPath, foldPath, freePath, pathFor, safeFileName } from './names/path';
import { renameLinks, retargetTo } from './names/rename-links';
import { readYaml } from './facts/yaml';
import { runs } from '../testing/test-runs';

const front = (text: string) => readFrontMatter(splitLines(text));

describe('front matter', () => {
  it('reads what Recado knows and leaves the rest', () => {
    expect(
      front(
        '---\ntitle: "Salt: a history"\nkind: Project\ntags: ["#a", b/c]\npeople:\n  - "@ilse"\n  - kofi\nabout: "[[Cabinet of Gales#Plan|plan]]"\ndate: 2026-11-16\nodd: {x: 1}\n---\nwords',
      ),
    ).toMatchObject({
      lineCount: 11,
      title: 'Salt: a history',
      kind: 'project',
      tags: ['a', 'b/c'],
      people: ['ilse', 'kofi'],
      about: ['Cabinet of Gales'],
      problem: null,
    });
  });

  it.each([
    ['no fence', 'title: a\n---\n'],
    ['not on line 1', '\n---\ntitle: a\n---\n'],
    ['a rule', '---\n\nwords\n\n---\n'],
    ['never closed', '---\ntitle: a\nwords\n'],
  ])('%s is none', (_name, text) => expect(front(text).lineCount).toBe(0));

  it('says why and where YAML breaks', () => {
    const { problem, lineCount } = front('---\nkind: person\ntags: [unclosed\n---\n');
    expect(lineCount).toBe(4);
    expect(problem?.message).toMatch(/^The front matter cannot be read as YAML/);
    expect(problem?.line).toBeGreaterThan(0);
  });

  it('a YAML bomb ends in a message', () => {
    const bomb = [
      'a: &a [x,x,x,x,x,x,x,x,x]',
      ...['b', 'c', 'd', 'e', 'f', 'g'].map((name, index) => `${name}: &${name} [${Array(9).fill(`*${'abcdefg'[index]}`).join(',')}]`),
    ];
    expect(front(`---\n${bomb.join('\n')}\n---\n`).problem).not.toBeNull();
  });

  it('our reader of simple lines gives what the yaml library gives (YAML 1.2)', () => {
    const scalar = fc.constantFrom(
      'Salt',
      'two words',
      '2026-11-23',
      '"quoted #1"',
      'été',
      'a/b',
      'no',
      'true',
      '12',
      '1.5',
      '~',
      'x: y',
      '- z',
      '"a',
      '#c',
      "it's",
      'a #b',
      'null',
      'a - b',
      '[x',
      'Yes',
      '.5',
      '2026-11-23 09:00',
      '09:30',
      'smells of salt, at the printer by 15 January',
      'who? me! (or l’heure)',
      'a,b,',
      "it's, well, 'so'",
      'a) b',
      'a ?b !c (d',
      '"[[Salt, on the Glass]]"',
      '"a": b',
      '1h30m',
      '2d',
      '"a" b',
      '"',
      '',
    );
    const line = fc.oneof(
      fc.tuple(fc.constantFrom('title', 'tags', 'date', 'odd-key'), scalar).map(([key, value]) => `${key}: ${value}`),
      fc
        .tuple(fc.constantFrom('tags', 'people'), fc.array(scalar, { maxLength: 3 }))
        .map(([key, values]) => `${key}: [${values.join(', ')}]`),
      fc.constantFrom('about:', '  - one', '- two', '', '# comment', '  nested: x'),
    );
    let simple = 0;
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 5 }), (body) => {
        const own = readSimpleYaml(body);
        if (!own) return;
        simple++;
        expect({ fields: own.fields }).toEqual(readYaml(body));
      }),
      { numRuns: runs(3000), seed: 20261123 },
    );
    expect(simple).toBeGreaterThan(100);
  });
});

const PIECES = fc.array(fc.constantFrom('a', 'b c', '', '\n', '\r\n', '\r', '\t', '- [ ] x', '\ufeff', '海', '\u0000'), { maxLength: 20 });

describe('lines and endings', () => {
  it.each(['\n', '\r\n', '\r'])('a long text is split as a short one, at %j', (ending) => {
    const piece = ['- [ ] weigh the crate', '', '  words of it', ''].join(ending);
    const short = splitLines(piece);
    const long = splitLines(piece.repeat(5000));
    const each = short.starts.length - 1;
    expect(long.starts).toHaveLength(5000 * each + 1);
    expect(long.ends).toHaveLength(5000 * each + 1);
    for (const part of [0, 1, 4999])
      for (let line = 0; line < each; line++) {
        expect(long.starts[part * each + line]).toBe(part * piece.length + (short.starts[line] ?? NaN));
        expect(lineText(long, part * each + line)).toBe(lineText(short, line));
      }
    expect(lineText(long, 5000 * each)).toBe('');
  });

  it('any text is its lines and their endings', () => {
    fc.assert(
      fc.property(
        PIECES.map((pieces) => pieces.join('')),
        (text) => {
          const lines = splitLines(text);
          const whole = lines.starts.map((start, index) => text.slice(start, lines.starts[index + 1] ?? text.length)).join('');
          expect(whole).toBe(text);
          expect(lineText(lines, 0).startsWith('\ufeff') && text.lastIndexOf('\ufeff') === 0).toBe(false);
        },
      ),
      { numRuns: runs(1000), seed: 20261123 },
    );
  });

  it('an editor that changes nothing gives the same bytes back; one that changes a line changes only that line', () => {
    fc.assert(
      fc.property(
        PIECES.map((pieces) => pieces.join('')),
        fc.nat(30),
        (text, pick) => {
          const shown = editorText(text);
          expect(storedText(text, shown)).toBe(text);
          const lines = shown.split('\n');
          const at = pick % lines.length;
          const edited = lines.map((line, index) => (index === at ? `${line}+` : line)).join('\n');
          const stored = storedText(text, edited);
          expect(editorText(stored)).toBe(edited);
          expect(stored.match(/\r\n|\r|\n/g)).toEqual(text.match(/\r\n|\r|\n/g));
        },
      ),
      { numRuns: runs(1000), seed: 20261123 },
    );
  });

  it('a new line takes the ending of the line before it', () => {
    expect(storedText('a\r\nb\r\n', 'a\nnew\nb\n')).toBe('a\r\nnew\r\nb\r\n');
    expect(storedText('a\r\nb', 'a\nb\nc')).toBe('a\r\nb\r\nc');
  });

  it('bytes that are no UTF-8 are told from those that are', () => {
    expect(decodeUtf8(new Uint8Array([0xef, 0xbb, 0xbf, 0x61]))).toBe('\ufeffa');
    expect(decodeUtf8(new Uint8Array([0x61, 0xff]))).toBeNull();
  });
});

describe('paths', () => {
  it.each([
    ['a/b.md', 'a/b.md'],
    ['/a//b.md', 'a/b.md'],
    ['a\\b.md', 'a/b.md'],
    ['./a.md', 'a.md'],
    ['../a.md', null],
    ['a/../../b.md', null],
    ['C:\\a.md', null],
    ['a\0b', null],
    ['', null],
    ['e\u0301.md', 'é.md'],
  ])('%j becomes %j', (path, clean) => expect(cleanPath(path)).toBe(clean));

  it.each([
    ['Salt', 'Salt'],
    ['a/b: "c"?', 'a-b- -c-'],
    ['..', 'Untitled'],
    ['  ', 'Untitled'],
  ])('the title %j is the file %j', (title, name) => expect(safeFileName(title)).toBe(name));

  it('a taken path gets a number', () => {
    const taken = new Set(['a/salt.md', 'a/salt 2.md']);
    expect(freePath(pathFor('A', 'Salt'), (folded) => taken.has(folded))).toBe('A/Salt 3.md');
    expect(foldPath('É.MD')).toBe(foldPath('e\u0301.md'));
  });
});

describe('renaming', () => {
  const retarget = retargetTo({ path: 'A/Old name.md', titles: ['Old name'] }, { path: 'B/New.md', title: 'New' });
  it.each([
    ['see [[Old name]] and [[old name#Part|words]]', 'see [[New]] and [[New#Part|words]]', 2],
    ['[[A/Old name]] [[A/Old name.md]]', '[[B/New]] [[B/New.md]]', 2],
    ['`[[Old name]]` [[Older name]]', '`[[Old name]]` [[Older name]]', 0],
    ['---\nabout: "[[Old name]]"\n---\n', '---\nabout: "[[New]]"\n---\n', 1],
    ['```gather\nwhere [[Old name]]\n```\n', '```gather\nwhere [[New]]\n```\n', 1],
    ['```\n[[Old name]]\n```\r\n', '```\n[[Old name]]\n```\r\n', 0],
    ['- [ ] a [[Old name]]\r\n\r\nb', '- [ ] a [[New]]\r\n\r\nb', 1],
  ])('%j becomes %j', (text, expected, places) => expect(renameLinks(text, retarget)).toEqual({ text: expected, places }));
});
