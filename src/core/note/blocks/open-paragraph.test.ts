import { OpenParagraph } from './open-paragraph';
import { referenceDefinitionsLength } from './reference-definition';

/** A paragraph of the lines of a text. */
function paragraphOf(text: string): OpenParagraph {
  const paragraph = new OpenParagraph(text);
  paragraph.begin(0);
  let from = 0;
  for (const line of text.split('\n')) {
    paragraph.add(from, from + line.length);
    from += line.length + 1;
  }
  return paragraph;
}

describe('the open paragraph', () => {
  it('gives its lines as one text, without what stood before them', () => {
    const paragraph = new OpenParagraph('> a\n>  b\nc');
    paragraph.begin(3);
    paragraph.add(2, 3);
    paragraph.add(7, 8);
    paragraph.add(9, 10);
    expect([paragraph.line, paragraph.lineCount, paragraph.words]).toEqual([3, 3, 'a\nb\nc']);
  });

  it('begins anew without the lines of the one before', () => {
    const paragraph = paragraphOf('one\ntwo\nthree');
    paragraph.begin(5);
    paragraph.add(4, 7);
    expect([paragraph.line, paragraph.lineCount, paragraph.words]).toEqual([5, 1, 'two']);
  });

  it.each(['[a]: /url', '[a\\]b]: /url', '[long\nlabel]: /url', '[', '[a'])('%j may define a reference', (text) =>
    expect(paragraphOf(text).mayDefine).toBe(true),
  );

  it.each(['words', '[ ] ask', '[x] done: yes', '[a] : /url', '[a[b]: /url', '[[Note]]: words'])('%j defines none', (text) => {
    expect(paragraphOf(text).mayDefine).toBe(false);
    expect(referenceDefinitionsLength(text)).toBe(0);
  });
});
