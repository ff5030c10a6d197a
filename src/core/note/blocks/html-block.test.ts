import { closesHtmlBlock, htmlBlockKind } from './html-block';

/** Start conditions of CommonMark 0.31.2 §4.6, each with lines that meet it; 0 are lines that meet none. */
const STARTS: [kind: number, lines: string[]][] = [
  [1, ['<script>', '<SCRIPT src="a.js">', '<pre', '<style ', '<textarea>x']],
  [2, ['<!--', '<!-- a -->', '<!--->']],
  [3, ['<?', '<?php echo 1 ?>']],
  [4, ['<!DOCTYPE html>', '<!x']],
  [5, ['<![CDATA[', '<![CDATA[ a ]]>']],
  [6, ['<div', '<DIV class="a">', '</table>', '<hr/>', '<h3>', '</details', '<search>']],
  [7, ['<a href="x">', '<b>', '</ins>', '<x-y a b=c d=\'e\' f="g" />', '<del>  ']],
  [0, ['<', '< div>', '<33>', '<a href="x"> words', '<b', '<![cdata[', '<!-', '<!1', '<a b="c>', '</b c>', '<scripts', '<__a>', '<=']],
];

describe('HTML blocks', () => {
  it.each(STARTS.flatMap(([kind, lines]) => lines.map((line): [string, number] => [line, kind])))('%j opens one of kind %d', (line, kind) =>
    expect(htmlBlockKind(line)).toBe(kind),
  );

  it.each<[number, string[], string[]]>([
    [1, ['</script>', 'a</PRE> b', 'x</style>'], ['</div>', '<script>', '</script']],
    [2, ['-->', 'a --> b'], ['->', '--']],
    [3, ['?>', 'a ?>'], ['?', '>']],
    [4, ['>', 'a>b'], ['a', '']],
    [5, [']]>', 'a]]>'], [']>', ']]']],
    [6, [], ['</div>', '-->', '>']],
    [7, [], ['</b>', ']]>']],
  ])('one of kind %d ends at %j, and at none of %j', (kind, ending, other) => {
    for (const line of ending) expect(closesHtmlBlock(kind, line)).toBe(true);
    for (const line of other) expect(closesHtmlBlock(kind, line)).toBe(false);
  });

  it('a tag of megabytes is words', () => expect(htmlBlockKind(`<x ${'a="b" '.repeat(500_000)}`)).toBe(0));
});
