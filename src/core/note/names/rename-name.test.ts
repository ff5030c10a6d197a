import { renameName } from './rename-name';

const TEXT = [
  '\ufeff---',
  'tags: [place/archive, Place, places]',
  'people:',
  '  - lars',
  'about: "[[place]]"',
  '---',
  '# Shelf #Place',
  '- [ ] a #place/archive and #places, `#place` https://sea.example/#place @lars {owner @lars; asked @larsson}',
  'words @Lars.',
  '',
  '```gather',
  'where #place and not #places or @lars',
  '```',
  '',
  '```',
  '#place @lars',
  '```',
  '',
].join('\r\n');

describe('renaming a tag or a handle in a text', () => {
  it('carries every place along, with its levels, and nothing else', () => {
    const { text, places } = renameName(TEXT, '#place', '#site');
    expect(places).toBe(5);
    expect(text).toBe(
      TEXT.replace('[place/archive, Place,', '[site/archive, site,')
        .replace('# Shelf #Place', '# Shelf #site')
        .replace('a #place/archive', 'a #site/archive')
        .replace('where #place', 'where #site'),
    );
  });

  it('renames a person also as owner', () => {
    const { text, places } = renameName(TEXT, '@lars', 'lars-g');
    expect(places).toBe(5);
    expect(text).toContain('  - lars-g\r\n');
    expect(text).toContain('@lars-g {owner @lars-g; asked @larsson}');
    expect(text).toContain('words @lars-g.');
    expect(text).toContain('or @lars-g\r\n');
    expect(text).toContain('#place @lars\r\n```');
  });

  it('gives the same text when nothing bears the name', () => expect(renameName(TEXT, '#none', '#x')).toEqual({ text: TEXT, places: 0 }));
});
