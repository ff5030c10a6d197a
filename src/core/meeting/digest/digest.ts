import type { Day } from '../../calendar/day';
import { dayTitle } from '../../calendar/day-name';
import { lineText } from '../../note/blocks/lines';
import type { Item } from '../../note/blocks/structure';
import { isOpen } from '../../task/line/status';
import type { Task } from '../../task/line/task';
import { readTail } from '../../task/line/tail';
import type { ReadNote } from '../../task/reading/read-note';
import { endOfSection, linesUnder } from '../../day/appointments';
import { foldName } from '../../note/names/names';
import { type MeetingFacts, meetingFacts, timesName } from '../meeting-facts';
import { nameInTitle } from '../meeting-title';

/** What earlier meetings of the series left open. */
export interface LeftOpen {
  text: string;
  owner: string | null;
  due: Day | null;
}

/** The heading under which a digest stands, where no other is set. */
export const DIGEST_HEADING = 'Digest';

/**
 * A short account of a meeting, as plain list lines without box or tail, in the order of its note: when, who and about what, its key points,
 * its actions with owner and day, its questions, open ones first, and what was left from last time. What stands under the heading of the
 * digest is no part of it.
 *
 * @param left what earlier meetings of the series left open
 * @example digestOf(note, []) // '- Call, Monday 23 Nov 2026, 11:00–11:30, with Teo.\n- Key points\n  - Six crates fit\n'
 */
export function digestOf(note: ReadNote, left: readonly LeftOpen[], heading = DIGEST_HEADING): string {
  const isDigest = linesUnder(note, foldName(heading));
  const tasks = note.tasks.filter(({ line }) => !isDigest(line));
  const points = note.keyPoints.filter((point) => point.task === -1 && !isDigest(point.line));
  const questions = tasks.filter(({ question }) => question);
  const parts: [string, string[]][] = [
    ['Key points', points.map(({ said }) => plain(said.text))],
    ['Actions', tasks.filter(({ question }) => !question).map(actionWords)],
    ['Questions', [...questions.filter(isAsked), ...questions.filter((one) => !isAsked(one))].map((one) => questionWords(note, one))],
    [
      'Left from last time',
      left.map(({ text, owner, due }) => withMore(plain(text), [ownerWords(owner), due === null ? '' : `due ${dayTitle(due)}`])),
    ],
  ];
  const lines = parts.flatMap(([title, said]) => (said.length === 0 ? [] : [`- ${title}`, ...said.map((words) => `  - ${words}`)]));
  return [`- ${headWords(meetingFacts(note.front))}`, ...lines, ''].join('\n');
}

const isAsked = ({ status }: Task): boolean => isOpen(status);

/** When, with whom, and about what. */
function headWords(facts: MeetingFacts): string {
  const { date, people, about, form } = facts;
  const what = form === null ? 'Meeting' : form.charAt(0).toUpperCase() + form.slice(1);
  const who = people.length === 0 ? '' : `with ${people.map((one) => nameInTitle(one)).join(', ')}`;
  const parts = [what, date === null ? '' : dayTitle(date), timesName(facts), who, about.length === 0 ? '' : `about ${about.join(', ')}`];
  return guarded(`${parts.filter((part) => part !== '').join(', ')}.`);
}

function actionWords(task: Task): string {
  const { owner, due, plan, done, cancelled, status } = task;
  const when = due ? `due ${dayTitle(due.from)}` : plan ? `planned ${dayTitle(plan.from)}` : '';
  const how = done
    ? `done ${dayTitle(done.from)}`
    : cancelled
      ? `cancelled ${dayTitle(cancelled.from)}`
      : status === 'todo' || status === 'underway'
        ? ''
        : status;
  return withMore(plain(task.text), [ownerWords(owner), isOpen(status) ? when : '', how]);
}

const ownerWords = (owner: string | null): string => (owner === null ? '' : owner === 'nobody' ? 'nobody’s' : nameInTitle(owner));

/** A question, and what was answered: what stands under it. */
function questionWords(note: ReadNote, task: Task): string {
  const answer = answerOf(note, task);
  const words = plain(task.text);
  if (isAsked(task)) return answer === '' ? `${words} (open)` : `${words} (open) ${answer}`;
  return answer === '' ? `${words} (${task.status})` : `${words} ${answer}`;
}

/** The words under an item, on one line; tasks and key points in them are told elsewhere. */
function answerOf({ lines, structure, tasks, keyPoints }: ReadNote, { line }: Task): string {
  const item = structure.items.find((one) => one.line === line);
  if (!item) return '';
  const told = new Set([...tasks.map((task) => task.line), ...keyPoints.map((point) => point.line)]);
  const words: string[] = [];
  for (let at = item.line + 1; at <= item.lastLine; at++) {
    if (told.has(at)) continue;
    const under = structure.items.find((one) => one.line === at);
    const said = lineText(lines, at)
      .slice(under ? wordsFrom(under) : 0)
      .trim();
    if (said !== '') words.push(plain(said));
  }
  return words.join('; ');
}

const wordsFrom = ({ wordsFrom: from, markerFrom }: Item): number => (from < 0 ? markerFrom + 1 : from);

/** What is said of something, in brackets behind it. */
function withMore(words: string, more: readonly string[]): string {
  const said = more.filter((one) => one !== '');
  return said.length === 0 ? words : `${words} (${said.join(', ')})`;
}

/** The words of a line as a plain line may bear them: no box, and no tail. */
const plain = (words: string): string => guarded(words.trim().replace(/\s+/g, ' ')) || 'no words';

/** Words that would be read as a box, a marker or a tail are kept from it. */
function guarded(words: string): string {
  const begun = words.replace(/^(\[.?\])/u, '\\$1').replace(/^([-*+>#]|\d+[.)])(?=\s|$)/, '\\$1');
  return readTail(`- ${begun}`, 2) || begun.endsWith('}') ? `${begun}.` : begun;
}

/** What stands under the heading of the digest in a text; null where there is none. */
export function digestIn(note: ReadNote, heading = DIGEST_HEADING): { from: number; to: number; text: string } | null {
  const { structure, lines } = note;
  const found = structure.headings.find((one) => one.topLevel && foldName(one.words.trim()) === foldName(heading));
  if (!found) return null;
  const from = lines.starts[found.lastLine + 1] ?? lines.text.length;
  const end = endOfSection(structure.headings, found);
  const to = end === Infinity ? lines.text.length : (lines.starts[end] ?? lines.text.length);
  return { from, to, text: lines.text.slice(from, to) };
}

/**
 * A note with a digest under its heading, at its end where there is none yet.
 *
 * @param merge what becomes of what stands there: it is given that, trimmed
 */
export function withDigest(note: ReadNote, merge: (present: string) => string, heading = DIGEST_HEADING): string {
  const { text } = note.lines;
  const present = digestIn(note, heading);
  if (!present) return `${text.trimEnd()}${text.trim() === '' ? '' : '\n\n'}## ${heading}\n\n${merge('').trim()}\n`;
  const rest = text.slice(present.to);
  return `${text.slice(0, present.from).trimEnd()}\n\n${merge(present.text.trim()).trim()}\n${rest === '' ? '' : `\n${rest}`}`;
}
