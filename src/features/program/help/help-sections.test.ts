import { readFileSync } from 'node:fs';
import { parseGather } from '../../../core/gather/language/parse';
import { anchorOf, sectionsOf, sectionsWith, wordsAround } from './help-sections';

const NAMES = [...readFileSync('src/features/program/help/help-pages.ts', 'utf8').matchAll(/docs\/(\w+)\.md/g)].map(
  ([, name = '']) => name,
);
const DOCS = NAMES.map((name) => [name, readFileSync(`docs/${name}.md`, 'utf8')] as const);

test('a page is cut at its headings, each with what stands under it', () => {
  const sections = sectionsOf('note', '# One\n\nfirst `code`\n\n## Two, and more\n\n- a\n- b\n');
  expect(sections.map(({ title, anchor, level, body, words }) => [title, anchor, level, body.length, words])).toEqual([
    ['One', 'one', 1, 1, 'One first code'],
    ['Two, and more', 'two-and-more', 2, 1, 'Two, and more ab'],
  ]);
});

test.each(DOCS)('docs/%s.md begins with its title, and no two places of it have one name', (_, text) => {
  const anchors = sectionsOf('x', text).map(({ anchor }) => anchor);
  expect(sectionsOf('x', text)[0]?.level).toBe(1);
  expect(new Set(anchors).size).toBe(anchors.length);
});

test.each(DOCS)('every gather in docs/%s.md can be read', (_, text) => {
  const gathers = sectionsOf('x', text).flatMap(({ body }) =>
    body.flatMap((node) => (node.type === 'code' && node.lang === 'gather' ? [node.value] : [])),
  );
  for (const gather of gathers) expect(parseGather(gather).errors).toEqual([]);
});

test('is searched by all words, titles first', () => {
  const sections = sectionsOf('day', '# Day\n\nslips and more\n\n## A slip\n\nmore words\n');
  expect(sectionsWith(sections, 'SLIP more').map(({ title }) => title)).toEqual(['Day', 'A slip']);
  expect(sectionsWith(sections, 'slip').map(({ title }) => title)).toEqual(['A slip', 'Day']);
  expect(sectionsWith(sections, 'anchor')).toEqual([]);
});

test('shows the words around what was looked for', () => {
  const [section] = sectionsOf('day', `# Day\n\n${'word '.repeat(40)}needle ${'tail '.repeat(60)}\n`);
  if (!section) throw new Error('there is one');
  expect(wordsAround(section, 'needle')).toMatch(/^… .*needle.* …$/);
  expect(anchorOf('The day’s “plan” & more')).toBe('the-day-s-plan-more');
});
