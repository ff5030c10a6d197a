import { readDuration } from '../../calendar/duration';
import { NOTE_KINDS } from '../../note/facts/front-matter';
import { foldName } from '../../note/names/names';
import { STATUSES } from '../../task/line/status';
import {
  type Condition,
  DATE_FIELDS,
  type DateField,
  type Flag,
  type MeasureField,
  PRESENCE_FIELDS,
  type PresenceField,
  type Source,
  THIS,
  THIS_PERSON,
} from './ast';
import { parseDate, parseRange } from './parse-date';
import { SIGNS, parseEquality, parseOneOf, parseSign, parseText, standsCompared, isSign, parseTo } from './parse-value';
import { parseNoteWord } from './parse-note-condition';
import { compilePattern } from './pattern';
import { type TokenReader, Unreadable } from './token-reader';

const FLAGS: Record<string, Flag> = {
  late: 'late',
  resting: 'resting',
  blocked: 'blocked',
  repeats: 'repeats',
  unsorted: 'unsorted',
  now: 'now',
};
const PRIORITIES = ['top', 'high', 'normal', 'low'] as const;
const CONDITION_WORDS = [
  ...STATUSES,
  'open',
  'closed',
  ...DATE_FIELDS,
  ...Object.keys(FLAGS),
  'with',
  'without',
  'own',
  'not',
  'this',
  'to',
  'priority',
  'takes',
  'pushed',
  'age',
  'untouched',
  'progress',
  'owner',
  'asked',
  'note',
  'path',
  'heading',
  'kind',
  'text',
  'is',
  'under',
  'joined',
  'met',
  'status',
];
/** Brackets deeper than this are an error, not a stack that runs over. */
const DEEPEST = 200;

/** Reads a condition: `or` of `and` of `not`, with brackets. */
export function parseCondition(reader: TokenReader, source: Source = 'tasks', depth = 0): Condition {
  if (depth > DEEPEST) reader.fail(`at most ${DEEPEST} brackets inside each other`);
  const parts = [parseAnd(reader, source, depth)];
  while (reader.took('or')) parts.push(parseAnd(reader, source, depth));
  return parts.length === 1 && parts[0] ? parts[0] : { is: 'or', parts };
}

function parseAnd(reader: TokenReader, source: Source, depth: number): Condition {
  const parts = [parseNot(reader, source, depth)];
  while (reader.took('and')) parts.push(parseNot(reader, source, depth));
  return parts.length === 1 && parts[0] ? parts[0] : { is: 'and', parts };
}

function parseNot(reader: TokenReader, source: Source, depth: number): Condition {
  let negated = false;
  while (reader.took('not')) negated = !negated;
  const part = parseOne(reader, source, depth);
  return negated ? { is: 'not', part } : part;
}

function parseOne(reader: TokenReader, source: Source, depth: number): Condition {
  if (reader.took('(')) {
    const inside = parseCondition(reader, source, depth + 1);
    if (!reader.took(')')) reader.fail('“)”');
    return inside;
  }
  const own = reader.is('word', 'own') && reader.took('own');
  const name = parseName(reader, own);
  if (name) return name;
  if (own) return reader.fail('a tag, person or link after “own”');
  if (reader.is('text')) return { is: 'words', words: reader.take().value, folded: false };
  if (source === 'notes' || source === 'meetings') return parseNoteWord(reader);
  if (reader.is('word')) {
    const condition = parseWord(reader);
    if (condition) return condition;
  }
  return reader.fail('a condition', CONDITION_WORDS);
}

function parseName(reader: TokenReader, own: boolean): Condition | null {
  if (reader.is('tag')) return { is: 'tag', name: foldName(reader.take().value), own };
  if (reader.is('person')) return { is: 'person', name: foldName(reader.take().value), own };
  if (reader.is('link')) return { is: 'link', target: reader.take().value, own };
  return null;
}

function parseWord(reader: TokenReader): Condition | null {
  const word = reader.current.value;
  const field = DATE_FIELDS.find((known) => known === word);
  if (field && standsCompared(reader)) return parseDateCondition(reader, field);
  const status = STATUSES.find((known) => known === word);
  if (status || word === 'open' || word === 'closed') {
    reader.take();
    return { is: 'status', status: status ?? (word as 'open' | 'closed') };
  }
  const flag = FLAGS[word];
  if (flag) {
    reader.take();
    return { is: 'flag', flag };
  }
  if (reader.tookWords('is', 'step')) return { is: 'flag', flag: 'step' };
  if (reader.tookWords('is', 'question')) return { is: 'flag', flag: 'question' };
  if (field) {
    reader.take();
    return reader.fail(`a sign (= != < <= > >=) or “in” after “${field}”`, ['in', ...SIGNS]);
  }
  return parseFieldCondition(reader, word);
}

function parseFieldCondition(reader: TokenReader, word: string): Condition | null {
  switch (word) {
    case 'with':
    case 'without':
      reader.take();
      return { is: 'presence', field: parsePresence(reader), present: word === 'with' };
    case 'priority':
      reader.take();
      return { is: 'priority', sign: parseSign(reader), priority: parseOneOf(reader, PRIORITIES) };
    case 'takes':
    case 'pushed':
    case 'age':
    case 'untouched':
    case 'progress':
      reader.take();
      return { is: 'measure', field: word, sign: parseSign(reader), value: parseMeasure(reader, word) };
    case 'owner':
    case 'asked':
      reader.take();
      return { is: 'who', field: word, same: parseEquality(reader), person: parsePerson(reader) };
    case 'note':
    case 'heading':
      reader.take();
      return { is: 'place', field: word, same: parseEquality(reader), value: parseText(reader) };
    case 'path':
      reader.take();
      if (!reader.took('in')) reader.fail('“in”', ['in']);
      return { is: 'place', field: 'path', same: true, value: parseText(reader) };
    case 'under':
      reader.take();
      return parseUnder(reader);
    case 'met':
      reader.take();
      return { is: 'met', person: parsePerson(reader) };
    case 'joined':
      reader.take();
      return { is: 'joined', same: parseEquality(reader), list: parseText(reader) };
    case 'status':
      // One of the five is said without the word before it.
      if (reader.ahead(2).kind !== 'text') return null;
      reader.take();
      return { is: 'added status', same: parseEquality(reader), name: parseText(reader) };
    case 'kind':
      reader.take();
      return { is: 'kind', same: parseEquality(reader), kind: parseOneOf(reader, NOTE_KINDS) };
    case 'text':
      reader.take();
      if (reader.took('like')) return parsePattern(reader);
      if (!reader.took('has')) reader.fail('“has” or “like”', ['has', 'like']);
      return { is: 'words', words: parseText(reader), folded: true };
    case 'this': {
      reader.take();
      const what = parseOneOf(reader, THIS);
      if (what !== 'day' || !isSign(reader)) return { is: 'this', what };
      return { is: 'this day is', sign: parseSign(reader), date: parseDate(reader) };
    }
    case 'to':
      return parseTo(reader);
    default:
      return null;
  }
}

function parseDateCondition(reader: TokenReader, field: DateField): Condition {
  reader.take();
  if (reader.took('in')) return { is: 'in', field, range: parseRange(reader) };
  const sign = parseSign(reader);
  return { is: 'date', field, sign, date: parseDate(reader) };
}

function parsePresence(reader: TokenReader): PresenceField {
  for (const field of PRESENCE_FIELDS) {
    if (reader.tookWords(...field.split(' '))) return field;
  }
  return reader.fail('a field', PRESENCE_FIELDS);
}

function parsePerson(reader: TokenReader): string {
  if (reader.is('person')) return foldName(reader.take().value);
  if (reader.tookWords('this', 'person')) return THIS_PERSON;
  return parseOneOf(reader, ['me', 'nobody', 'this person'] as const);
}

/** `/crate [0-9]+/i`; a slash in it is written `\\/`. */
function parsePattern(reader: TokenReader): Condition {
  const token = reader.current;
  if (token.kind !== 'pattern') return reader.fail('a pattern such as /crate [0-9]+/i');
  const end = token.value.lastIndexOf('/');
  const source = token.value.slice(1, end).replace(/\\\//g, '/');
  const flags = token.value.slice(end + 1);
  const compiled = compilePattern(source, flags);
  if (typeof compiled !== 'function') throw new Unreadable({ message: compiled.problem, from: token.from, to: token.to });
  reader.take();
  return { is: 'like', source, flags };
}

/** `under [[Note#Heading]]`, `under recado:k3f9qa`. */
function parseUnder(reader: TokenReader): Condition {
  if (reader.is('ref')) return { is: 'under ref', ref: reader.take().value.slice('recado:'.length) };
  if (!reader.is('link')) return reader.fail('a link such as [[Loans#Crates]]');
  const [note = '', ...rest] = reader.take().value.split('|')[0]?.split('#') ?? [];
  return { is: 'under', note: note.trim(), heading: rest.join('#').trim() || null };
}

/** Minutes for `takes`, times for `pushed`, days for `age`, percent for `progress`. */
function parseMeasure(reader: TokenReader, field: MeasureField): number {
  if (field === 'takes') {
    const minutes = reader.is('duration') ? readDuration(reader.current.value) : null;
    if (minutes === null) return reader.fail('a time such as 30m or 2h');
    reader.take();
    return minutes;
  }
  const count = reader.number(field);
  if (field === 'pushed') return count;
  if (field === 'progress') {
    if (!reader.took('%')) reader.fail('“%”');
    return count;
  }
  const unit = parseOneOf(reader, ['day', 'days', 'week', 'weeks', 'month', 'months', 'year', 'years'] as const);
  return count * (unit.startsWith('day') ? 1 : unit.startsWith('week') ? 7 : unit.startsWith('month') ? 30 : 365);
}
