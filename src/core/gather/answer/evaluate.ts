import type { DayRange } from '../../calendar/span';
import type { Row } from '../rows/row';
import { foldName } from '../../note/names/names';
import { baseNameOf, foldPath } from '../../note/names/path';
import { statusNamed } from '../../task/line/added-status';
import { STATUSES, STATUS_NAMES, isOpen } from '../../task/line/status';
import { priorityRank } from '../../task/line/task';
import type { Condition, GatherContext, MeasureField, SaidField, Sign, ThisWhat } from '../language/ast';
import { resolveDate, resolveRange } from './dates';
import { meantHere, personMeant } from './meant-here';
import { anyPart } from '../language/any-part';
import { dateField, isPresent } from '../language/fields';
import { compilePattern } from '../language/pattern';
import { BEYOND_ASCII, wordsPattern } from '../language/words-pattern';
import { isLate, isResting, isSetAside, isUnsorted, notNowTag } from './state';

export type Test = (row: Row) => boolean;

/** What `[[a name]]` in a condition stands for. */
export interface NameLookup {
  /** Every folded name by which a link may mean the same note: its titles, aliases and paths. */
  namesOf: (target: string) => ReadonlySet<string>;
  /** The folded path of the note that a name means; null when there is none. */
  pathOf: (target: string) => string | null;
  /** Whether a need of the row is still open. */
  isBlocked: (row: Row) => boolean;
  /** Whether a task with this ref exists. */
  hasTask: (ref: string) => boolean;
  /** Whether loose tasks are caught in this note. */
  isLoosePlace: (path: string) => boolean;
  /** Whether an open task that can be begun stands in the note of a row, or is about it. */
  hasNextStep: (row: Row) => boolean;
}

export const NO_LOOKUP: NameLookup = {
  namesOf: (target) => new Set([foldPath(target)]),
  pathOf: () => null,
  isBlocked: () => false,
  hasTask: () => false,
  isLoosePlace: () => false,
  hasNextStep: () => false,
};

/** Turns a condition into a test of rows. Relative dates are settled once, so that a row costs little. */
export function compile(condition: Condition, context: GatherContext, lookup: NameLookup = NO_LOOKUP): Test {
  const inner = (part: Condition): Test => compile(part, context, lookup);
  switch (condition.is) {
    case 'and': {
      return allOf(condition.parts.map(inner));
    }
    case 'or': {
      const parts = condition.parts.map(inner);
      return (row) => parts.some((part) => part(row));
    }
    case 'not': {
      const part = inner(condition.part);
      return (row) => !part(row);
    }
    case 'status': {
      const { status } = condition;
      // A key point that is no task has no status.
      if (status === 'open') return (row) => isOpen(row.task.status) && row.what === 'task';
      if (status === 'closed') return (row) => !isOpen(row.task.status) && row.what === 'task';
      return (row) => row.task.status === status && row.what === 'task';
    }
    case 'tag':
      return condition.own ? (row) => row.ownTags.includes(condition.name) : (row) => row.tags.includes(condition.name);
    case 'person': {
      const name = condition.name === 'me' && context.me !== null ? foldName(context.me) : condition.name;
      return condition.own ? (row) => row.ownPeople.includes(name) : (row) => row.people.includes(name);
    }
    case 'link':
      return compileLink(condition.target, condition.own, lookup);
    case 'words':
      return compileWords(condition.words, condition.folded);
    case 'like': {
      const test = compilePattern(condition.source, condition.flags);
      return typeof test === 'function' ? (row) => test(row.task.text) : () => false;
    }
    case 'date': {
      const range = resolveDate(condition.date, context);
      return (row) => range !== null && compareRanges(dateField(row, condition.field), condition.sign, range);
    }
    case 'in': {
      const range = resolveRange(condition.range, context);
      return (row) => range !== null && compareRanges(dateField(row, condition.field), '=', range);
    }
    case 'presence': {
      const { field, present } = condition;
      if (field === 'next step') return (row) => lookup.hasNextStep(row) === present;
      return (row) => isPresent(row, field) === present;
    }
    case 'priority':
      return (row) =>
        compareNumbers(
          -priorityRank(row.task.priority),
          condition.sign,
          -priorityRank(condition.priority === 'normal' ? null : condition.priority),
        );
    case 'measure':
      return (row) => {
        const value = measureOf(row, condition.field, context);
        return value !== null && compareNumbers(value, condition.sign, condition.value);
      };
    case 'tasks':
      return ({ facts }) => facts !== null && compareNumbers(facts[condition.field], condition.sign, condition.value);
    case 'said':
      return compileSaid(condition.field, condition.same, condition.value);
    case 'met': {
      const person = personMeant(condition.person === 'me' && context.me !== null ? context.me : condition.person, context);
      const folded = person === null ? null : foldName(person);
      return (row) => folded !== null && row.head.present.includes(folded);
    }
    case 'own key':
      return compileOwnKey(condition.key, condition.same, condition.value);
    case 'added status': {
      // The name of one of the five means all of that status; a name that no status has is borne by none.
      const five = STATUSES.find((status) => foldPath(STATUS_NAMES[status]) === foldPath(condition.name));
      const sign = statusNamed(condition.name, context.statuses)?.sign;
      const bears = five ? ({ task }: Row) => task.status === five : ({ task }: Row) => task.sign === sign;
      return (row) => row.what === 'task' && bears(row) === condition.same;
    }
    case 'joined': {
      const wanted = foldPath(condition.list);
      return ({ task }) => task.joined !== null && (foldPath(task.joined) === wanted) === condition.same;
    }
    case 'title has': {
      const wanted = fold(condition.words);
      return (row) => fold(row.head.title).includes(wanted);
    }
    case 'flag':
    case 'who':
    case 'place':
    case 'kind':
    case 'this':
    case 'to this note':
    case 'to raise':
    case 'this day is':
    case 'under':
    case 'under ref':
      return compilePlace(condition, context, lookup);
  }
}

/** A test that all tests pass; written out for the usual few, because it is asked of every row. */
function allOf(parts: readonly Test[]): Test {
  const [first, second, third] = parts;
  if (first && second && parts.length === 2) return (row) => first(row) && second(row);
  if (first && second && third && parts.length === 3) return (row) => first(row) && second(row) && third(row);
  return (row) => {
    for (const part of parts) if (!part(row)) return false;
    return true;
  };
}

function compileSaid(field: SaidField, same: boolean, value: string): Test {
  const wanted = foldPath(value);
  return ({ head, facts }) => {
    const said = field === 'title' ? head.title : (facts?.[field] ?? null);
    return said !== null && (foldPath(said) === wanted) === same;
  };
}

type PlaceCondition = Extract<
  Condition,
  { is: 'flag' | 'who' | 'place' | 'kind' | 'this' | 'to this note' | 'to raise' | 'this day is' | 'under' | 'under ref' }
>;

function compilePlace(condition: PlaceCondition, context: GatherContext, lookup: NameLookup): Test {
  const { today } = context;
  switch (condition.is) {
    case 'flag':
      switch (condition.flag) {
        case 'late':
          return (row) => isLate(row, today);
        case 'resting':
          return (row) => isResting(row, today);
        case 'blocked':
          return (row) => lookup.isBlocked(row);
        case 'repeats':
          return (row) => row.task.every !== null;
        case 'unsorted':
          return (row) => row.what === 'task' && isUnsorted(row, lookup.isLoosePlace);
        case 'step':
          return (row) => row.parent !== null;
        case 'question':
          return (row) => row.task.question;
        case 'now': {
          const tag = notNowTag(context);
          return (row) => !isSetAside(row, tag);
        }
      }
      break;
    case 'who':
      return (row) => isWho(row, condition.field, condition.person, context) === condition.same && hasWho(row, condition.field);
    case 'place':
      return compilePathTest(condition.field, condition.value, condition.same);
    case 'kind':
      return (row) => (row.head.kind === condition.kind) === condition.same;
    case 'this':
      if (condition.what !== 'tag') return compileThis(condition.what, context);
      return compileMeant(condition, context, lookup);
    case 'to this note':
    case 'to raise':
      return compileMeant(condition, context, lookup);
    case 'this day is': {
      const day = context.thisNote?.journal ?? null;
      const date = day === null ? null : resolveDate(condition.date, context);
      const holds = day !== null && date !== null && compareDays(day, day, condition.sign, date);
      return () => holds;
    }
    case 'under':
      return compileUnder(condition.note, condition.heading, lookup);
    case 'under ref':
      return (row) => isUnderRef(row, condition.ref);
  }
}

function compileUnder(note: string, heading: string | null, lookup: NameLookup): Test {
  const path = lookup.pathOf(note);
  const wanted = heading === null ? null : foldPath(heading);
  return (row) =>
    path !== null && foldPath(row.head.path) === path && (wanted === null || row.task.headings.some((one) => foldPath(one) === wanted));
}

function isUnderRef(row: Row, ref: string): boolean {
  for (let up = row.parent; up; up = up.parent) if (up.task.ref === ref) return true;
  return false;
}

function compileMeant(
  condition: Extract<Condition, { is: 'this' | 'to this note' | 'to raise' }>,
  context: GatherContext,
  lookup: NameLookup,
): Test {
  const meant = meantHere(condition, context);
  return meant === null ? () => false : compile(meant, context, lookup);
}

/** A key of one's own, of which one of several values may be meant. */
function compileOwnKey(key: string, same: boolean, value: string): Test {
  const wanted = foldPath(value);
  return ({ fields }) => {
    const said = fields?.[key];
    const words = (Array.isArray(said) ? said : [said]).flatMap((one) => (one == null ? [] : [foldPath(String(one))]));
    return words.length > 0 && words.includes(wanted) === same;
  };
}

function compileThis(what: Exclude<ThisWhat, 'tag'>, context: GatherContext): Test {
  const here = context.thisNote;
  if (what === 'series') return (row) => here?.series != null && row.head.series === here.series;
  if (what === 'note') return (row) => here !== null && row.head.path === here.path;
  // In a meeting, this person is anybody who is there.
  const people = here?.handle != null ? [here.handle] : (here?.people ?? []);
  if (what === 'person') return (row) => people.some((one) => row.people.includes(one));
  const day = here?.journal ?? null;
  if (day === null) return () => false;
  const range = { from: day, to: day };
  return (row) => row.head.journal === day || compareRanges(row.task.due, '=', range) || compareRanges(row.task.plan, '=', range);
}

function compilePathTest(field: 'note' | 'path' | 'heading', value: string, same: boolean): Test {
  const wanted = foldPath(value);
  switch (field) {
    case 'note':
      return (row) => (foldPath(row.head.title) === wanted || foldPath(baseNameOf(row.head.path)) === wanted) === same;
    case 'path':
      return (row) => {
        const folder = foldPath(row.head.folder);
        return folder === wanted || folder.startsWith(`${wanted}/`);
      };
    case 'heading':
      return (row) => row.task.headings.some((heading) => foldPath(heading) === wanted) === same;
  }
}

function compileLink(target: string, own: boolean, lookup: NameLookup): Test {
  const names = lookup.namesOf(target.split(/[#|]/)[0]?.trim() ?? target);
  const path = lookup.pathOf(target);
  return (row) => {
    for (const link of own ? row.ownLinks : row.links) if (names.has(link)) return true;
    return !own && path !== null && foldPath(row.head.path) === path;
  };
}

const fold = (words: string): string => words.normalize('NFKC').toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');

export function compileWords(words: string, folded: boolean): Test {
  const wanted = folded ? fold(words) : words.normalize('NFC').toLowerCase();
  const settle = folded ? fold : (text: string): string => text.normalize('NFC').toLowerCase();
  // The line is searched first, as it stands: that decides for nearly every task.
  const inLine = wordsPattern(words, folded);
  const simple = !folded && !BEYOND_ASCII.test(words);
  return ({ task }) => {
    const at = task.raw.search(inLine);
    if (at === -1) return false;
    const textFrom = task.boxFrom + task.sign.length + 2;
    return (simple && standsInWords(task.raw, at, words.length, textFrom, task.tailFrom)) || settle(task.text).includes(wanted);
  };
}

/** Whether plain letters that were found in a line surely stand in the words of its task, each as it is. */
export function standsInWords(raw: string, at: number, length: number, textFrom: number, tailFrom: number): boolean {
  const end = at + length;
  // A mark behind the last letter would make it another letter.
  return at >= textFrom && end <= tailFrom && raw.charCodeAt(at) < 128 && !(raw.charCodeAt(end) >= 0x300);
}

/** An absent owner is oneself; an absent asker is nobody at all, and every comparison with it fails. */
function hasWho(row: Row, field: 'owner' | 'asked'): boolean {
  return field === 'owner' || row.task.asked !== null;
}

function isWho(row: Row, field: 'owner' | 'asked', person: string, context: GatherContext): boolean {
  const me = context.me === null ? 'me' : foldName(context.me);
  const value = row.task[field];
  const found = value === null ? me : foldName(value);
  const wanted = personMeant(person, context);
  return found === (wanted === 'me' ? me : wanted);
}

export function measureOf(row: Row, field: MeasureField, context: GatherContext): number | null {
  switch (field) {
    case 'takes':
      return row.task.takes;
    case 'pushed':
      return row.task.pushed.length;
    case 'age':
      return row.made === null ? null : context.today - row.made;
    case 'untouched':
      return row.touched === null ? null : context.today - row.touched;
    case 'progress':
      return row.steps === 0 ? null : (100 * row.stepsDone) / row.steps;
  }
}

export function compareNumbers(a: number, sign: Sign, b: number): boolean {
  switch (sign) {
    case '=':
      return a === b;
    case '!=':
      return a !== b;
    case '<':
      return a < b;
    case '<=':
      return a <= b;
    case '>':
      return a > b;
    case '>=':
      return a >= b;
  }
}

/** Compares the days of a field with days c..d as the language says; a comparison with an absent field is false. */
export function compareRanges(field: DayRange | null, sign: Sign, value: DayRange): boolean {
  return field !== null && compareDays(field.from, field.to, sign, value);
}

/** Compares days `from` to `to` with days c..d as the language says. */
export function compareDays(from: number, to: number, sign: Sign, value: DayRange): boolean {
  switch (sign) {
    case '=':
      return from <= value.to && value.from <= to;
    case '!=':
      return from > value.to || value.from > to;
    case '<':
      return to < value.from;
    case '<=':
      return from <= value.to;
    case '>':
      return from > value.to;
    case '>=':
      return to >= value.from;
  }
}

/** Whether a condition speaks of resting or of start, so that resting tasks are not left out of its answer. */
export function speaksOfResting(condition: Condition | null): boolean {
  return anyPart(condition, (part) => {
    if (part.is === 'flag') return part.flag === 'resting';
    return (part.is === 'date' || part.is === 'in' || part.is === 'presence') && part.field === 'start';
  });
}

/** Whether a condition asks for `kind = archive`; without it, notes of that kind are left out. */
export function asksForArchive(condition: Condition | null): boolean {
  return anyPart(condition, (part) => part.is === 'kind' && part.kind === 'archive' && part.same);
}
