import { foldName } from '../note/names/names';
import { lineText, splitLines } from '../note/blocks/lines';
import { fieldWords, readFrontMatter } from '../note/facts/front-matter';
import { textWithoutIdentity } from '../task/writing/write-tail';
import { type TemplateValues, fillTemplate, templateQuestions } from './template';

/** A template as it is used: the text of a new note, and what it asks. */
export interface UsedTemplate {
  text: string;
  /** What it asks that has no answer yet. */
  questions: string[];
}

/** The kind of note that a template makes, by its `for`; null when it makes none in particular. */
export function kindMadeBy(text: string): string | null {
  return (
    fieldWords(readFrontMatter(splitLines(text)).fields['for'])
      ?.trim()
      .toLowerCase() ?? null
  );
}

/** For which other journal a template makes pages, folded; null for none in particular. */
function journalSaid(text: string): string | null {
  const said = fieldWords(readFrontMatter(splitLines(text)).fields['journal'])?.trim();
  return said ? foldName(said) : null;
}

/**
 * A note made from a template: its placeholders filled in, its own `kind` and `for` gone from the front matter, and the kind that it
 * makes there instead. All other keys, comments and lines stay as they are.
 *
 * @example noteFrom('---\nkind: template\nfor: project\n---\n# {{name}}', values).text // '---\nkind: project\n---\n# Storage move'
 */
export function noteFrom(template: string, values: TemplateValues): UsedTemplate {
  const lines = splitLines(template);
  const { lineCount } = readFrontMatter(lines);
  const all = template.split('\n');
  const made = kindMadeBy(template);
  const keys = Array.from({ length: Math.max(0, lineCount - 2) }, (_, index) => lineText(lines, index + 1)).filter(
    (line) => !/^(?:kind|for):/.test(line),
  );
  // The title of a journal page says its day, and so its kind.
  if (made !== null && made !== 'journal' && made !== 'note') keys.unshift(`kind: ${made}`);
  const body = all.slice(lineCount).join('\n');
  const text = keys.length === 0 ? body : `---\n${keys.join('\n')}\n---\n${body}`;
  return {
    text: fillTemplate(textWithoutIdentity(text), values),
    questions: templateQuestions(text).filter((question) => !values.answers.has(question)),
  };
}

/** What a template puts into a note that is there: its words, without front matter. */
export function insertedFrom(template: string, values: TemplateValues): UsedTemplate {
  const { lineCount } = readFrontMatter(splitLines(template));
  const body = template.split('\n').slice(lineCount).join('\n');
  return {
    text: fillTemplate(textWithoutIdentity(body), values),
    questions: templateQuestions(body).filter((question) => !values.answers.has(question)),
  };
}

/**
 * The template that is used for notes of a kind: the first by path; null when there is none.
 *
 * @param journal for pages of another journal, by its name: one that says that it is for that
 */
export function templateFor<T extends { path: string; text: string }>(
  kind: string,
  templates: readonly T[],
  journal: string | null = null,
): T | null {
  const isFor = (text: string): boolean => (journalSaid(text) ?? '') === (journal === null ? '' : foldName(journal));
  const fitting = templates
    .filter(({ text }) => kindMadeBy(text) === kind && (kind !== 'journal' || isFor(text)))
    .sort((a, b) => (a.path < b.path ? -1 : 1));
  return fitting[0] ?? null;
}
