import { readDuration } from '../calendar/duration';
import { splitLines } from '../note/blocks/lines';
import { type FrontMatter, fieldWords, readFrontMatter } from '../note/facts/front-matter';
import { foldName } from '../note/names/names';
import { kindMadeBy } from '../template/from-template';

/** A template as it is chosen among others. */
interface Found {
  path: string;
  text: string;
}

/** Keys of the front matter of a meeting that say something of their own; all others are a person's own. */
const KNOWN = new Set([
  ...['kind', 'for', 'title', 'date', 'start', 'end', 'people', 'about', 'form', 'series', 'every', 'takes'],
  ...['tags', 'aliases', 'handle', 'state', 'level', 'due', 'created', 'changed', 'view', 'statuses'],
]);

/** The keys of one's own that a front matter holds, in their order: those that say words or a number, or nothing yet. */
export const ownKeysOf = ({ fields }: Pick<FrontMatter, 'fields'>): string[] =>
  Object.keys(fields).filter((key) => !KNOWN.has(key.toLowerCase()) && (fields[key] === null || typeof fields[key] !== 'object'));

const frontOf = (text: string): FrontMatter => readFrontMatter(splitLines(text));

/** The form of the meetings that a template makes; null where it says none. */
export const formOfTemplate = (text: string): string | null => fieldWords(frontOf(text).fields['form']);

/** How long, in minutes, the meetings of a template take; null where it does not say. */
export function lengthOfTemplate(text: string): number | null {
  const takes = fieldWords(frontOf(text).fields['takes']);
  return takes === null ? null : readDuration(takes);
}

/**
 * The template of a form of meeting: the first by path that makes meetings of that form, forms compared folded; else the first that makes
 * meetings and says no form. Null where there is none.
 *
 * @param form null for a meeting that is of none
 */
export function meetingTemplateFor<T extends Found>(form: string | null, templates: readonly T[]): T | null {
  const fitting = templates.filter(({ text }) => kindMadeBy(text) === 'meeting').sort((a, b) => (a.path < b.path ? -1 : 1));
  const ofForm = (wanted: string | null): T | undefined =>
    fitting.find(({ text }) => {
      const said = formOfTemplate(text);
      return (said === null ? null : foldName(said)) === wanted;
    });
  return (form !== null && ofForm(foldName(form))) || (ofForm(null) ?? null);
}

/**
 * The form with which words begin, among those that are known: the longest.
 *
 * @example formOfWords('Visit with @teo', ['visit', 'call']) // 'visit'
 */
export function formOfWords(words: string, forms: readonly string[]): string | null {
  const said = ` ${foldName(words)} `;
  const found = forms.filter((form) => said.startsWith(` ${foldName(form)} `));
  return found.sort((a, b) => b.length - a.length)[0] ?? null;
}
