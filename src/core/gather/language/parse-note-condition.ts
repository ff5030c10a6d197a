import { NOTE_KINDS } from '../../note/facts/front-matter';
import type { Condition } from './ast';
import { parseDate, parseRange } from './parse-date';
import { nearestWord } from '../offering/nearest-word';
import { parseEquality, parseOneOf, parseSign, parseText, parseTo, standsCompared } from './parse-value';
import type { TokenReader } from './token-reader';

/** The states of projects and goals. */
const STATES = ['active', 'later', 'done', 'cancelled'] as const;

const NOTE_WORDS = [
  'title',
  'path',
  'kind',
  'date',
  'open',
  'done',
  'progress',
  'due',
  'state',
  'level',
  'form',
  'series',
  'created',
  'changed',
  'with',
  'without',
  'this',
  'to',
];
const PRESENT = ['date', 'due', 'tag', 'person', 'link', 'next step'] as const;

/** Reads a condition on notes that begins with a word: `open > 0`, `state = active`, `date in last 7 days`. */
export function parseNoteWord(reader: TokenReader): Condition {
  const word = reader.is('word') ? reader.current.value : '';
  switch (word) {
    case 'open':
    case 'done':
      reader.take();
      return { is: 'tasks', field: word, sign: parseSign(reader), value: reader.number(word) };
    case 'progress': {
      reader.take();
      const sign = parseSign(reader);
      const value = reader.number(word);
      if (!reader.took('%')) reader.fail('“%”');
      return { is: 'measure', field: 'progress', sign, value };
    }
    case 'date':
    case 'due':
    case 'created':
    case 'changed':
      reader.take();
      if (reader.took('in')) return { is: 'in', field: word, range: parseRange(reader) };
      return { is: 'date', field: word, sign: parseSign(reader), date: parseDate(reader) };
    case 'title':
      reader.take();
      if (reader.took('has')) return { is: 'title has', words: parseText(reader) };
      return { is: 'said', field: 'title', same: parseEquality(reader), value: parseText(reader) };
    case 'state':
      reader.take();
      return { is: 'said', field: 'state', same: parseEquality(reader), value: parseOneOf(reader, STATES) };
    case 'level':
    case 'form':
    case 'series':
      reader.take();
      return { is: 'said', field: word, same: parseEquality(reader), value: parseText(reader) };
    case 'kind':
      reader.take();
      return { is: 'kind', same: parseEquality(reader), kind: parseOneOf(reader, NOTE_KINDS) };
    case 'path':
      reader.take();
      if (!reader.took('in')) reader.fail('“in”', ['in']);
      return { is: 'place', field: 'path', same: true, value: parseText(reader) };
    case 'with':
    case 'without':
      reader.take();
      if (reader.tookWords('next', 'step')) return { is: 'presence', field: 'next step', present: word === 'with' };
      return { is: 'presence', field: parseOneOf(reader, PRESENT), present: word === 'with' };
    case 'this':
      reader.take();
      return { is: 'this', what: parseOneOf(reader, ['note', 'person', 'tag', 'series'] as const) };
    case 'to':
      return parseTo(reader);
    default:
      // A key of one's own; a word that nearly says one that is known is a slip.
      if (word === '' || !standsCompared(reader) || nearestWord(word, NOTE_WORDS, 1) !== null)
        return reader.fail('a condition on notes', NOTE_WORDS);
      reader.take();
      return { is: 'own key', key: word, same: parseEquality(reader), value: reader.is('word') ? reader.take().value : parseText(reader) };
  }
}
