import type { Element, Root } from 'hast';
import rehypeSanitize, { defaultSchema } from 'rehype-sanitize';
import rehypeStringify from 'rehype-stringify';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import remarkRehype from 'remark-rehype';
import { unified } from 'unified';
import { NOTHING_TO_SAY, type Writer } from './writer';

/** What is read as HTML in a text is shown as it is written: no sign of a note becomes a tag. */
const readerWith = (pictures: ShowPicture) =>
  unified()
    .use(remarkParse)
    .use(remarkGfm)
    .use(remarkRehype, { handlers: { html: (_state, node: { value: string }) => ({ type: 'text', value: node.value }) } })
    .use(rehypeSanitize, { ...defaultSchema, clobberPrefix: '' })
    .use(() => (tree: Root) => void ownImages(tree, pictures))
    .use(rehypeStringify);

/** What is shown in the place of a picture: an address that holds it whole; null for its words. */
type ShowPicture = (target: string) => string | null;
const WORDS_ONLY: ShowPicture = () => null;

const reader = readerWith(WORDS_ONLY);

/** A page must show the same with no network and tell nobody that it is read: pictures of other places are their words. */
function ownImages(tree: Root | Element, pictures: ShowPicture): void {
  tree.children = tree.children.map((child) => {
    if (child.type !== 'element') return child;
    ownImages(child, pictures);
    if (child.tagName !== 'img') return child;
    const { src, alt } = child.properties;
    const shown = typeof src === 'string' ? pictures(src) : null;
    if (shown === null) return { type: 'text' as const, value: String(alt ?? '') };
    return { ...child, properties: { src: shown, alt: String(alt ?? '') } };
  });
}

/** Markdown as HTML that holds nothing but words and their form: for the clipboard, beside the same as text. */
export const htmlOf = (markdown: string, pictures?: ShowPicture): string =>
  String((pictures ? readerWith(pictures) : reader).processSync(markdown));

const STYLE = [
  'body{font:16px/1.5 system-ui,sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem;color:#1c2526;background:#fff}',
  'h1,h2,h3{line-height:1.25;margin:1.4em 0 .4em}h1{font-size:1.6rem}h2{font-size:1.25rem}h3{font-size:1.05rem}',
  'ul,ol{padding-inline-start:1.5em}li{margin:.15em 0;break-inside:avoid}ul.contains-task-list{list-style:none;padding-inline-start:.3em}',
  'li.task-list-item ul{padding-inline-start:1.6em}table{border-collapse:collapse}td,th{border:1px solid #b9c2c2;padding:.25em .6em;text-align:start}',
  'pre{overflow:auto;background:#f2f4f3;padding:.7em}blockquote{border-inline-start:3px solid #b9c2c2;margin-inline-start:0;padding-inline-start:1em}',
  'img{max-width:100%;max-height:30rem}article+article{border-top:1px solid #b9c2c2;margin-top:2rem}',
].join('');

/**
 * One page of HTML with its style in it: no script, nothing that is fetched.
 *
 * @param title what the page is called; each part stands under its own
 * @param pictures that are in the page itself
 */
export const htmlWriter = (title: string, pictures?: ShowPicture): Writer => ({
  begin: [
    '<!doctype html>',
    '<html lang="en">',
    '<head>',
    '<meta charset="utf-8">',
    '<meta name="viewport" content="width=device-width">',
    `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:">`,
    `<title>${escapeHtml(title)}</title>`,
    `<style>${STYLE}</style>`,
    '</head>',
    '<body>',
    '',
  ].join('\n'),
  part: ({ outline, plain }) => `<article>\n<h1>${escapeHtml(outline.title)}</h1>\n${htmlOf(plain(), pictures)}\n</article>\n`,
  end: () => '</body>\n</html>\n',
  report: NOTHING_TO_SAY,
});

const escapeHtml = (words: string): string => words.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
