import { clauseOf, readTail } from '../../task/line/tail';

/** A box with more than one sign in it, as two hands leave it that ticked it at once. */
const CROWDED = /^(\s*(?:[-*+]|\d{1,9}[.)])[ \t]+\[)([^\][\n]{2,8})(\](?:\s|$))/;
const TWO_TAILS = /\s*(\{[^{}]*\})\s*(\{[^{}]*\})\s*$/;
const MOMENT = /\d{4}-\d{2}-\d{2}(?: \d{2}:\d{2})?/;

/**
 * A line that two changed at once, letter by letter, as one of them meant it: a box has one sign, a task one tail, and a clause one value. Words stay
 * as they are: those of both.
 *
 * @param line as it came of both
 * @param before as it was before
 * @example mendedLine('- [xx] Pack {done 2026-11-29} {done 2026-11-28}', '- [ ] Pack') // '- [x] Pack {done 2026-11-29}'
 */
export function mendedLine(line: string, before: string): string {
  if (!/^\s*(?:[-*+]|\d{1,9}[.)])[ \t]+\[/.test(before)) return line;
  const boxed = line.replace(CROWDED, (_, open: string, signs: string, close: string) => open + signOf(signs) + close);
  return withOneValue(withOneTail(boxed));
}

/** Finished is what nobody takes for open; else the first that stands there. */
const signOf = (signs: string): string => (/x/i.test(signs) ? 'x' : (signs.trim()[0] ?? ' '));

function withOneTail(line: string): string {
  const found = TWO_TAILS.exec(line);
  const [, first = '', second = ''] = found ?? [];
  if (!found) return line;
  const [one, other] = [readTail(first, 0), readTail(second, 0)];
  if (!one || !other) return line;
  const more = other.clauses.filter(({ name }) => name !== null && !clauseOf(one, name)).map(({ from, to }) => second.slice(from, to));
  const clauses = [...one.clauses.map(({ from, to }) => first.slice(from, to)), ...more];
  return `${line.slice(0, found.index)} {${clauses.join('; ')}}`;
}

/** A clause whose value is digits and more of them than a moment has. */
const CROWDED_DAY = /((?:\{|;)\s*[a-z]+ )([\d:-][\d: -]{10,})(?=[;}])/g;

/** Of days that ran into each other, the one that stands there whole. */
const withOneValue = (line: string): string =>
  line.replace(CROWDED_DAY, (whole: string, name: string, value: string) => {
    const moment = MOMENT.exec(value)?.[0];
    return moment === undefined || moment === value.trim() ? whole : name + moment;
  });
