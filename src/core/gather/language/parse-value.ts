import type { Sign, Condition } from './ast';
import type { TokenReader } from './token-reader';

export const SIGNS: readonly string[] = ['=', '!=', '<', '<=', '>', '>='];

/** Whether a sign or `in` follows the present word, so that it is a field and no status. */
export function standsCompared(reader: TokenReader): boolean {
  reader.couldFollow(['in', ...SIGNS]);
  const next = reader.ahead(1);
  return (next.kind === 'sign' && SIGNS.includes(next.value)) || (next.kind === 'word' && next.value === 'in');
}

/** Whether a sign of comparison stands here; brackets are signs too. */
export const isSign = (reader: TokenReader): boolean => reader.is('sign') && SIGNS.includes(reader.current.value);

export function parseSign(reader: TokenReader): Sign {
  if (!isSign(reader)) reader.fail('a sign (= != < <= > >=)', SIGNS);
  return reader.take().value as Sign;
}

export function parseEquality(reader: TokenReader): boolean {
  const sign = parseSign(reader);
  if (sign !== '=' && sign !== '!=') reader.fail('= or !=');
  return sign === '=';
}

export function parseOneOf<T extends string>(reader: TokenReader, known: readonly T[]): T {
  const found = reader.is('word') ? known.find((one) => one === reader.current.value) : undefined;
  if (found === undefined) return reader.fail(`one of ${known.join(', ')}`, known);
  reader.take();
  return found;
}

export function parseText(reader: TokenReader): string {
  if (!reader.is('text')) reader.fail('words in double quotes');
  return reader.take().value;
}

/** Reads `to this note` or `to raise`. */
export function parseTo(reader: TokenReader): Condition {
  if (reader.tookWords('to', 'raise')) return { is: 'to raise' };
  if (!reader.tookWords('to', 'this', 'note')) reader.fail('“to this note” or “to raise”', ['to this note', 'to raise']);
  return { is: 'to this note' };
}
