import { type Day, isoDay } from '../../src/core/calendar/day';
import { journalPath } from '../../src/core/note/names/path';
import type { ActionContext, Moment } from '../../src/core/task/acts/action-context';
import { type Landing, slipLanding } from '../../src/core/slip/landing';
import { dayAsked } from '../../src/core/slip/slip-line';
import { slipLines, textOfLines } from '../../src/core/slip/slip-lines';
import { withLines } from '../../src/core/task/writing/write-lines';
import { insertedFrom, noteFrom, templateFor } from '../../src/core/template/from-template';
import { type Desk, noteAt } from '../desk';
import { libraryOf } from '../library-of';
import { PlainError } from '../plain-error';
import type { RunnerSettings } from '../settings';

/** What a slip comes to: its lines, and where they land. */
export interface SlipAnswer {
  line: string;
  place: Landing;
}

/** `slip`: the line that words come to, and where it would land; with `desk` in its notes, and written when `write`. */
export function slip(words: string, settings: RunnerSettings, now: Moment, desk: Desk | null, write: boolean): SlipAnswer {
  const context: ActionContext = { now, settings, makeRef: () => '' };
  const { lines } = slipLines({ typed: words }, context);
  const [first] = lines;
  if (!first) throw new PlainError('slip needs words.');
  const library = desk && libraryOf(desk, { ...settings, today: now.day });
  const pageOf = (day: Day): string => library?.days.pageOf(day)?.head.path ?? journalPath(isoDay(day));
  const place = slipLanding({
    into: null,
    loosePlace: settings.loosePlace,
    slipHeading: settings.days.slipHeading,
    today: now.day,
    day: dayAsked(first.task),
    laterPages: settings.slipLater === 'page',
    pageOf,
  });
  const text = textOfLines(lines);
  if (write) {
    if (!desk) throw new PlainError('slip needs --in PATH to be written.');
    desk.folder.write([{ note: place.note, text: written(desk, place, text, context, settings) }]);
  }
  return { line: text.join('\n'), place };
}

function written(desk: Desk, place: Landing, lines: readonly string[], context: ActionContext, settings: RunnerSettings): string {
  const there = desk.folder.notes.find(({ path }) => path === place.note);
  if (!there && desk.folder.isElse(place.note)) throw new PlainError(`${place.note} is there and is no note.`);
  const template = templateFor('journal', templatesIn(desk));
  const made = template && !there ? noteFrom(template.text, valuesOf(context.now, isoDay(context.now.day))).text : '';
  const outcome = withLines(there?.text ?? null, { heading: place.heading, side: settings.slipSide }, lines, context, made);
  if ('refused' in outcome) throw new PlainError(outcome.refused);
  return outcome.text;
}

const templatesIn = (desk: Desk): { path: string; text: string }[] =>
  desk.notes.filter(({ kind }) => kind === 'template').map(({ path, lines }) => ({ path, text: lines.text }));

const valuesOf = ({ day, minute }: Moment, name: string, answers: ReadonlyMap<string, string> = new Map()) => ({
  day,
  minute,
  name,
  answers,
});

/** `template`: the text of a note that is made from one, or that it puts into another, and what it still asks. */
export function template(
  desk: Desk,
  at: string,
  now: Moment,
  name: string | undefined,
  answers: string | undefined,
): { text: string; questions: string[] } {
  const note = noteAt(desk, at);
  if (!note || note.kind !== 'template') throw new PlainError(`--at is “${at}”; there is no such template.`);
  const values = valuesOf(now, name ?? '', answersOf(answers));
  return name === undefined ? insertedFrom(note.lines.text, values) : noteFrom(note.lines.text, values);
}

function answersOf(json: string | undefined): ReadonlyMap<string, string> {
  if (json === undefined) return new Map();
  let read: unknown;
  try {
    read = JSON.parse(json);
  } catch {
    throw new PlainError('--answers cannot be read as JSON.');
  }
  if (typeof read !== 'object' || read === null || Array.isArray(read)) throw new PlainError('--answers is an object: question → answer.');
  return new Map(Object.entries(read).map(([question, answer]) => [question, String(answer)]));
}
