import { lineText, splitLines } from '../note/blocks/lines';
import { fieldWords, readFrontMatter } from '../note/facts/front-matter';
import { type TemplateValues, fillTemplate, templateQuestions } from '../template/template';

/** A slip that a person made: a note of kind slip. */
export interface OwnSlip {
  path: string;
  title: string;
  /** The key that opens it, such as `Alt+F10`; null for none. */
  key: string | null;
  /** Where it lands, as a link's target with placeholders; null for the place of all slips. */
  into: string | null;
  /** Its lines with their placeholders. */
  lines: readonly string[];
  /** What it asks beside its words, in order. */
  questions: readonly string[];
}

/** Stands for the words of the slip. */
const WORDS = /\{\{\s*words\s*\}\}/gi;
/** Stands for the tag of what is to be raised with a person. */
const RAISE = /\{\{\s*raise\s*\}\}/gi;

/** Reads a note of kind slip. */
export function readOwnSlip(path: string, title: string, text: string): OwnSlip {
  const all = splitLines(text);
  const { lineCount, fields } = readFrontMatter(all);
  const lines = Array.from({ length: all.starts.length - lineCount }, (_, index) => lineText(all, lineCount + index)).filter(
    (line) => line.trim() !== '',
  );
  const into = fieldWords(fields['into'])?.trim() ?? '';
  return {
    path,
    title,
    key: fieldWords(fields['key'])?.trim() ?? null,
    into: into === '' ? null : into,
    lines: lines.length > 0 ? lines : ['- [ ] {{words}}'],
    questions: questionsOf({ into, lines }),
  };
}

/** A line that a slip writes: a task that is read as one, or a plain line that stays as it is. */
export type FilledLine = { is: 'task'; typed: string; indent: string } | { is: 'plain'; line: string };

/** What a slip comes to with its words and answers. */
export interface FilledSlip {
  lines: FilledLine[];
  into: string | null;
}

const TASK = /^(\s*)(?:[-*+]|\d+[.)])\s+\[.\]\s/u;
const ITEM = /^\s*(?:[-*+]|\d+[.)])\s/;

/** Fills a slip in. Lines with a box are tasks, other list lines are plain lines, and what is no list line is the words of a task. */
export function filledSlip(
  slip: Pick<OwnSlip, 'lines' | 'into'>,
  words: string,
  values: TemplateValues & { raiseTag?: string },
): FilledSlip {
  // A clause whose question has no answer is none.
  const answers = new Map(questionsOf(slip).map((question) => [question, values.answers.get(question) ?? '']));
  const fill = (text: string): string =>
    fillTemplate(text, { ...values, answers })
      .replace(RAISE, () => `#${values.raiseTag ?? 'raise'}`)
      .replace(WORDS, () => words);
  // A line whose questions have no answer is left out, where it says nothing else.
  const asked = slip.lines.filter((line) => line.replace(QUESTION, '').replace(EMPTY, '') !== '' || fill(line).replace(EMPTY, '') !== '');
  const lines = asked.map((line): FilledLine => {
    const filled = withoutEmptyClauses(fill(line)).trimEnd();
    const [, indent] = TASK.exec(filled) ?? [];
    if (indent !== undefined) return { is: 'task', typed: filled.trimStart(), indent };
    if (ITEM.test(filled)) return { is: 'plain', line: filled };
    return { is: 'task', typed: filled.trim(), indent: /^\s*/.exec(filled)?.[0] ?? '' };
  });
  return { lines, into: slip.into === null ? null : placeOf(fill(slip.into)) };
}

const QUESTION = /\{\{\s*question:[^{}]*\}\}/gi;
/** What a line says with nothing filled in: marker and box. */
const EMPTY = /^\s*(?:[-*+]|\d+[.)])?\s*(?:\[.\])?\s*$/u;

/** A place with nothing in it is none; `@@kofi` is `@kofi`. */
function placeOf(filled: string): string | null {
  const place = filled.trim().replace(/^@+/, '@');
  return place === '' || /^@?(?:#|$)/.test(place) ? null : place;
}

const questionsOf = ({ lines, into }: Pick<OwnSlip, 'lines' | 'into'>): string[] => templateQuestions([into ?? '', ...lines].join('\n'));

/** `{due ; high}` with nothing said for due is `{high}`, and `{due }` nothing. */
function withoutEmptyClauses(line: string): string {
  return line.replace(/\s*\{([^{}]*)\}\s*$/, (_, inside: string) => {
    const clauses = inside.split(';').map((clause) => clause.trim());
    const said = clauses.filter((clause) => clause !== '' && !NEEDS_VALUE.test(clause));
    return said.length === 0 ? '' : ` {${said.join('; ')}}`;
  });
}

const NEEDS_VALUE = /^(?:(?:due|plan|start|every|until|lapses|takes|remind|needs)|(?:owner|asked)\s*@?)\s*$/i;
