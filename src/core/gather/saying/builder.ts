import type { Condition, Gather } from '../language/ast';
import { tokensOf } from '../language/lexer';
import { parseCondition } from '../language/parse-condition';
import { conditionText, printGather } from './print';
import { TokenReader } from '../language/token-reader';

/** A line of the form: one condition, which may be turned round; or words that the form cannot show, kept as they are. */
export type BuilderLine = { is: 'condition'; negated: boolean; condition: Condition } | { is: 'text'; text: string };

/** A gather as a form shows it: a list of conditions of which all or any must hold, and the other clauses as they are. */
export interface BuilderModel {
  match: 'all' | 'any';
  lines: BuilderLine[];
  clauses: Omit<Gather, 'where'>;
}

/** The form of a gather. Nothing is lost: `gatherFrom(builderOf(gather))` asks the same. */
export function builderOf({ where, ...clauses }: Gather): BuilderModel {
  if (!where) return { match: 'all', lines: [], clauses };
  if (where.is === 'or') return { match: 'any', lines: where.parts.map(lineOf), clauses };
  return { match: 'all', lines: (where.is === 'and' ? where.parts : [where]).map(lineOf), clauses };
}

function lineOf(condition: Condition): BuilderLine {
  if (condition.is === 'and' || condition.is === 'or') return { is: 'text', text: conditionText(condition) };
  if (condition.is !== 'not') return { is: 'condition', negated: false, condition };
  const { part } = condition;
  return part.is === 'and' || part.is === 'or' || part.is === 'not'
    ? { is: 'text', text: conditionText(condition) }
    : { is: 'condition', negated: true, condition: part };
}

/** The gather that a form says. Lines of text that cannot be read are left out; `parseGather` on the text tells why. */
export function gatherFrom({ match, lines, clauses }: BuilderModel): Gather {
  const parts = lines.flatMap((line) => conditionOf(line, clauses.from) ?? []);
  const [only] = parts;
  const where: Condition | null = parts.length < 2 ? (only ?? null) : { is: match === 'all' ? 'and' : 'or', parts };
  return { ...clauses, where };
}

function conditionOf(line: BuilderLine, from: Gather['from']): Condition | null {
  if (line.is === 'condition') return line.negated ? { is: 'not', part: line.condition } : line.condition;
  try {
    return parseCondition(new TokenReader(tokensOf(line.text)), from);
  } catch {
    return null;
  }
}

/** The text of the gather that a form says. */
export function builderText(model: BuilderModel): string {
  return printGather(gatherFrom(model));
}
