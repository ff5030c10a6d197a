import { parseGather } from '../language/parse';
import { printGather } from '../saying/print';

/** What an answer is looked at through for a while; the note that holds the gather stays as it is. */
export interface Narrowing {
  /** A condition in the words of the language; null for none. */
  only: string | null;
  /** What a person typed: a condition, or else words that must stand in the task. */
  typed: string;
  /** Conditions that were switched on: one of those that ask for the same kind of thing must hold. */
  chosen: readonly string[];
  /** The conditions of the sides that are looked at, of which one must hold; none looks at all. */
  sides?: readonly string[];
  /** Whether resting tasks are brought in. */
  resting: boolean;
}

export const NO_NARROWING: Narrowing = { only: null, typed: '', chosen: [], resting: false };

export function isNarrowed({ only, typed, chosen, sides = [], resting }: Narrowing): boolean {
  return only !== null || typed.trim() !== '' || chosen.length > 0 || sides.length > 0 || resting;
}

/** The text of a gather seen through a narrowing; the same text when there is none, or when it cannot be read. */
export function narrowed(text: string, narrowing: Narrowing): string {
  if (!isNarrowed(narrowing)) return text;
  const parsed = parseGather(text);
  if (parsed.errors.length > 0) return text;
  const conditions = [narrowing.only, typedCondition(narrowing.typed), ...kinds(narrowing.chosen), anySide(narrowing.sides ?? [])].filter(
    (one) => one !== null,
  );
  const { gather } = parsed;
  for (const condition of conditions) {
    const extra = parseGather(gather.from === 'tasks' ? condition : `from ${gather.from}\nwhere ${condition}`);
    // A condition that makes no sense for what is gathered narrows it to nothing wrong: it is left out.
    if (extra.errors.length > 0 || !extra.gather.where) continue;
    gather.where = gather.where
      ? { is: 'and', parts: [...(gather.where.is === 'and' ? gather.where.parts : [gather.where]), extra.gather.where] }
      : extra.gather.where;
  }
  if (narrowing.resting) gather.includingResting = true;
  return printGather(gather);
}

/** What a person typed as a condition: as it is where it can be read, else as words that must stand in the task. */
export function typedCondition(typed: string): string | null {
  const words = typed.trim();
  if (words === '') return null;
  const parsed = parseGather(`where ${words}`);
  // One plain word is looked for, even where it is also a word of the language.
  if (parsed.errors.length === 0 && parsed.gather.where && /[#@"=<>[\s]/.test(words)) return words;
  return `text has "${words.replace(/[\\"]/g, '\\$&')}"`;
}

/** The condition that one of some sides holds; null where none is looked at. */
export const anySide = (sides: readonly string[]): string | null =>
  sides.length === 0 ? null : sides.map((one) => `(${one})`).join(' or ');

const NOT = 'not ';

/** Whether a chosen condition says what is left out. */
export const isLeftOut = (condition: string): boolean => condition.startsWith(NOT);

/** A chosen condition the other way: wanted, or left out. */
export const otherWay = (condition: string): string =>
  isLeftOut(condition)
    ? condition.slice(NOT.length).replace(/^\((.*)\)$/s, '$1')
    : `${NOT}${/\s(?:and|or)\s/.test(condition) ? `(${condition})` : condition}`;

/** What a condition asks for: a tag, a person, a note, a time, or something by its first word. */
function kindOf(condition: string): string {
  if (/^[#@[]/.test(condition)) return condition.charAt(0);
  const [word = ''] = condition.split(' ');
  return /^(?:late|due|plan|without|takes)$/.test(word) ? 'time' : word;
}

/** Conditions of one kind are alternatives, those of different kinds must all hold; what is left out stays out. */
function kinds(chosen: readonly string[]): string[] {
  const byKind = new Map<string, string[]>();
  for (const condition of chosen) {
    const kind = isLeftOut(condition) ? condition : kindOf(condition);
    byKind.set(kind, [...(byKind.get(kind) ?? []), condition]);
  }
  return [...byKind.values()].map((conditions) => conditions.map((one) => `(${one})`).join(' or '));
}
