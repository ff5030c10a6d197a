import { type Day, addMonths, isoDay, weekdayOf } from '../calendar/day';
import { WEEKDAY_LONG } from '../calendar/day-name';
import { timeName } from '../calendar/span';

/** What the placeholders of a template are filled in from. */
export interface TemplateValues {
  day: Day;
  /** Minutes after midnight; without it `{{clock}}` stays as it is. */
  minute: number | null;
  /** The title of the note that is made. */
  name: string;
  /** Answers to its questions, by their words; a question without one stays as it is. */
  answers: ReadonlyMap<string, string>;
}

const PLACEHOLDER = /\{\{\s*([^{}]*?)\s*\}\}/g;
const DAY = /^day(?:\s*([+-])\s*(\d{1,4})\s*(days?|weeks?|months?|years?)?)?$/i;

/**
 * Fills a template in: `{{day}}`, `{{day + 1}}`, `{{day - 2 weeks}}`, `{{weekday}}`, `{{name}}`, `{{clock}}` and
 * `{{question: words}}`. Placeholders that it does not know stay as they are.
 *
 * @example fillTemplate('# {{weekday}} {{day}}', values) // '# Monday 2026-11-23'
 */
export function fillTemplate(text: string, values: TemplateValues): string {
  return text.replace(PLACEHOLDER, (whole, words: string) => valueOf(words, values) ?? whole);
}

/** The questions of a template, each once, in their order. */
export function templateQuestions(text: string): string[] {
  const questions = [...text.matchAll(PLACEHOLDER)].map((match) => /^question:\s*(.+)$/i.exec(match[1] ?? '')?.[1]);
  return [...new Set(questions.filter((question) => question !== undefined))];
}

function valueOf(words: string, { day, minute, name, answers }: TemplateValues): string | null {
  const date = DAY.exec(words);
  if (date) {
    const count = Number(date[2] ?? 0) * (date[1] === '-' ? -1 : 1);
    return isoDay(moved(day, count, (date[3] ?? 'day').toLowerCase()));
  }
  const question = /^question:\s*(.+)$/i.exec(words)?.[1];
  if (question !== undefined) return answers.get(question) ?? null;
  switch (words.toLowerCase()) {
    case 'weekday':
      return WEEKDAY_LONG[weekdayOf(day) - 1] ?? null;
    case 'name':
      return name;
    case 'clock':
      return minute === null ? null : timeName(minute);
  }
  return null;
}

function moved(day: Day, count: number, unit: string): Day {
  if (unit.startsWith('week')) return day + 7 * count;
  if (unit.startsWith('month')) return addMonths(day, count);
  return unit.startsWith('year') ? addMonths(day, 12 * count) : day + count;
}
