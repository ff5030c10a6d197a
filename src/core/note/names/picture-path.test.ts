import { isPictureFile, pictureLink, picturePlaces, picturesIn, typeOfBytes, typeOfPath, withPicturesFrom } from './picture-path';

const bytes = (words: string): Uint8Array => Uint8Array.from(words, (letter) => letter.charCodeAt(0));

describe('pictures in a text', () => {
  it('are found in a line, with their words and where they lie', () => {
    const line =
      'See ![the \\[old\\] crate](../Pictures/crate%201.webp "title") and ![](<Pictures/a b.png>) not `![x](y.png)` nor [z](z.png)';
    expect(picturesIn(line)).toEqual([
      { from: 4, to: line.indexOf(' and'), words: 'the [old] crate', target: '../Pictures/crate%201.webp' },
      { from: line.indexOf('![]('), to: line.indexOf(' not'), words: '', target: 'Pictures/a b.png' },
    ]);
  });

  it.each([
    ['Exhibitions/Salt.md', '../Pictures/crate%201.webp', ['Pictures/crate 1.webp']],
    // A note that was moved deeper: found from the top all the same.
    ['Deep/In/Salt.md', '../Pictures/crate.webp', ['Deep/Pictures/crate.webp', 'Pictures/crate.webp']],
    ['Salt.md', '/Pictures/crate.webp', ['Pictures/crate.webp']],
    ['Salt.md', 'https://example.org/crate.webp', []],
    ['Salt.md', 'data:image/png;base64,AAAA', []],
    ['Salt.md', 'javascript:alert(1)//.png', []],
    ['Salt.md', 'Notes/other.md', []],
    ['Salt.md', '../../../../etc/crate.png', ['etc/crate.png']],
    ['Salt.md', '%E0%A4%A.png', ['%E0%A4%A.png']],
  ])('in %s, %s may lie at %j', (note, target, places) => expect(picturePlaces(note, target)).toEqual(places));

  it.each(['Salt.md', 'Exhibitions/Salt.md', 'Pictures/Salt.md', 'A/B/C.md'])('written in %s are found again', (note) => {
    const link = pictureLink(note, 'Pictures/a (b) ümlaut #1.webp', 'two [words]');
    const [found] = picturesIn(link);
    expect(found).toMatchObject({ from: 0, to: link.length, words: 'two [words]' });
    expect(picturePlaces(note, found?.target ?? '')[0]).toBe('Pictures/a (b) ümlaut #1.webp');
  });

  it('keep their way when the note goes elsewhere, and all else its bytes', () => {
    const text = 'a ![x](../Pictures/x.png)\r\n![y](https://example.org/y.png)\r\nend';
    expect(withPicturesFrom(text, 'A/N.md', 'N.md')).toBe('a ![x](Pictures/x.png)\r\n![y](https://example.org/y.png)\r\nend');
    expect(withPicturesFrom(text, 'A/N.md', 'B/N.md')).toBe(text);
  });
});

describe('the kind of a picture', () => {
  it.each([
    ['\x89PNG\r\n\x1a\n\0\0\0\rIHDR', 'image/png'],
    ['\xff\xd8\xff\xe0\0\x10JFIF', 'image/jpeg'],
    ['GIF89a\x01\0', 'image/gif'],
    ['RIFF\x24\0\0\0WEBPVP8 ', 'image/webp'],
    ['\0\0\0\x20ftypavif\0\0\0\0', 'image/avif'],
    ['<?xml version="1.0"?>\n<!-- drawn -->\n<svg xmlns="http://www.w3.org/2000/svg"/>', 'image/svg+xml'],
    ['RIFF\x24\0\0\0WAVEfmt ', null],
    ['<html><svg></svg></html>', null],
    ['%PDF-1.7', null],
    ['', null],
  ])('of %j is %s', (words, type) => expect(typeOfBytes(bytes(words))).toBe(type));

  it('is told by the ending where only that is known', () => {
    expect(typeOfPath('Pictures/A.JPEG')).toBe('image/jpeg');
    expect(typeOfPath('Pictures/a.webp.age')).toBe('image/webp');
    expect(typeOfPath('a.md')).toBeNull();
    expect(isPictureFile('a.svg.age')).toBe(true);
    expect(isPictureFile('a.md.age')).toBe(false);
  });
});
