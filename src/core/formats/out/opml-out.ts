import { XMLBuilder } from 'fast-xml-parser';
import type { Branch, Outline } from '../branch';
import { NOTHING_TO_SAY, type Writer } from './writer';

/** What an element of the outline bears, by the names of OPML 2.0 and of ours, which begin with an underscore. */
type Attributes = Record<string, string>;

const ENTITIES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escapedText = (words: string): string => words.replace(/[&<>"\n\t]/g, (sign) => ENTITIES[sign] ?? `&#${sign.charCodeAt(0)};`);

const builder = new XMLBuilder({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  format: true,
  suppressEmptyNode: true,
  // A line break within an attribute would be read as a space (XML 1.0, 3.3.3).
  attributeValueProcessor: (_name, value) => escapedText(String(value)),
  processEntities: false,
});

/**
 * OPML 2.0 (opml.org/spec2.opml): an `outline` for each branch, `text` its words, `_note` the plain lines under it,
 * `_status` that of a task and a further attribute for each clause of its tail, as `_due`. A heading bears `_heading`, its level.
 *
 * @param title what the head says
 * @param titled whether several things go out, each under an element with its title
 */
export const opmlWriter = (title: string, titled: boolean): Writer => ({
  begin: `<?xml version="1.0" encoding="UTF-8"?>\n<opml version="2.0">\n<head>\n<title>${escapedText(clean(title))}</title>\n</head>\n<body>\n`,
  part: ({ outline }) => {
    const elements = titled ? [noteElement(outline)] : outline.branches.map(element);
    return elements.length === 0 ? '' : builder.build({ outline: elements });
  },
  // The body holds at least one element (OPML 2.0, “What is a <body>?”).
  end: () => `</body>\n</opml>\n`,
  report: NOTHING_TO_SAY,
});

const noteElement = ({ title, path, branches }: Outline): object => ({
  '@text': clean(title),
  ...(path !== null && { '@_path': clean(path) }),
  ...(branches.length > 0 && { outline: branches.map(element) }),
});

function element(branch: Branch): object {
  const said: Attributes = { '@text': clean(branch.words) };
  if (branch.is === 'heading') said['@_heading'] = String(branch.level);
  if (branch.is === 'words') said['@_words'] = 'yes';
  if (branch.task) said['@_status'] = branch.task.status;
  for (const { word, value } of branch.clauses) said[`@_${nameOf(word)}`] ??= clean(value === '' ? 'yes' : value);
  const note = branch.description.join('\n').trim();
  if (note !== '') said['@_note'] = clean(note);
  return { ...said, ...(branch.branches.length > 0 && { outline: branch.branches.map(element) }) };
}

/** A clause that is no name of XML is left out of it. */
const nameOf = (word: string): string => (/^[a-z][a-z0-9-]*$/i.test(word) ? word.toLowerCase() : 'other');

/** What XML 1.0 cannot hold at all is left out (2.2, Char). */
const clean = (words: string): string => [...words].filter((sign) => isXmlSign(sign.codePointAt(0) ?? 0)).join('');

const isXmlSign = (code: number): boolean =>
  code === 9 || code === 10 || code === 13 || (code >= 0x20 && code < 0xd800) || (code > 0xdfff && code < 0xfffe) || code > 0xffff;
