import {
  COLUMNS,
  type Column,
  DATE_FIELDS,
  type DateField,
  type Form,
  GROUP_KEYS,
  type Gather,
  type GatherError,
  type GroupKey,
  type GroupKeyName,
  MEASURES,
  type Measure,
  NOTE_COLUMNS,
  NOTE_DATE_FIELDS,
  NOTE_GROUP_KEYS,
  NOTE_ORDER_KEYS,
  ORDER_KEYS,
  type OrderKey,
  type OrderKeyName,
  SOURCES,
  type Source,
  TOTALS,
} from './ast';
import { type Token, tokensOf } from './lexer';
import { parseCondition } from './parse-condition';
import { parseOneOf } from './parse-value';
import { TokenReader, Unreadable } from './token-reader';

/** A gather as far as it could be read; it may be answered only when there are no errors. */
export interface ParsedGather {
  gather: Gather;
  errors: GatherError[];
}

/** The words with which a clause begins. */
export const CLAUSE_WORDS = ['where', 'group', 'order', 'limit', 'including', 'steps', 'columns', 'totals', 'as', 'into', 'from', 'title'];
const FORMS = ['list', 'table', 'board', 'month', 'weeks', 'spans', 'summary', 'bars', 'curve'] as const;
const MOST_ROWS = 1_000_000;
/** A gather longer than this is no question a person wrote. */
const LONGEST = 50_000;

/** How a gather is read that is being written. */
interface ReadingOf {
  /** What is gathered, where the text that is read is only the beginning. */
  source?: Source;
  /** Takes the words that could go on where the text ends. */
  wanted?: Set<string>;
}

/**
 * Reads the text of a gather. A clause that cannot be read is left out and told with its position; the others
 * still count.
 *
 * @example parseGather('open and due < today').errors // []
 */
export function parseGather(text: string, { source, wanted }: ReadingOf = {}): ParsedGather {
  const gather: Gather = {
    title: null,
    from: 'tasks',
    list: null,
    where: null,
    groupBy: [],
    orderBy: null,
    limit: null,
    limitPerGroup: null,
    includingResting: false,
    stepsApart: false,
    columns: null,
    totals: null,
    form: null,
    into: null,
  };
  if (text.length > LONGEST) {
    return { gather, errors: [{ message: `A gather has at most ${LONGEST} characters.`, from: LONGEST, to: text.length }] };
  }
  const errors: GatherError[] = [];
  const tokens = tokensOf(text);
  // The fields that exist depend on what is gathered, wherever that clause stands.
  gather.from = source ?? sourceOf(tokens);
  const reader = new TokenReader(tokens, text, wanted);
  const seen = new Set<string>();
  // The condition may stand without `where` first, or right behind the title.
  for (let first = true; !reader.is('end');) {
    const isTitle = reader.is('title');
    try {
      parseClause(reader, gather, seen, first);
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      errors.push(error.error);
      skipClause(reader);
    }
    first &&= isTitle;
  }
  return { gather, errors };
}

/** What is gathered; tasks when nothing says otherwise. */
function sourceOf(tokens: readonly Token[]): Source {
  const at = tokens.findIndex((token) => token.kind === 'word' && token.value === 'from');
  return SOURCES.find((source) => source.split(' ').every((word, index) => tokens[at + 1 + index]?.value === word)) ?? 'tasks';
}

const isOfNotes = (source: Source): boolean => source === 'notes' || source === 'meetings';

/** Goes on at the next line that begins with a clause word. */
function skipClause(reader: TokenReader): void {
  do reader.take();
  while (!reader.is('end') && !(reader.current.startsLine && startsClause(reader.current)));
}

function startsClause(token: Token): boolean {
  return token.kind === 'title' || (token.kind === 'word' && CLAUSE_WORDS.includes(token.value));
}

function parseClause(reader: TokenReader, gather: Gather, seen: Set<string>, first: boolean): void {
  const token = reader.current;
  const once = (name: string): void => {
    if (seen.has(name)) throw new Unreadable({ message: `“${name}” stands twice; one is enough.`, from: token.from, to: token.to });
    seen.add(name);
  };
  if (token.kind === 'title') {
    once('title');
    gather.title = reader.take().value || null;
  } else if (reader.took('where')) {
    once('where');
    gather.where = parseCondition(reader, gather.from);
  } else if (reader.took('from')) {
    once('from');
    if (!reader.tookWords(...gather.from.split(' '))) reader.fail(`one of ${SOURCES.join(', ')}`, SOURCES);
    if (gather.from === 'outside' && reader.is('text')) gather.list = reader.take().value;
  } else if (reader.took('group')) {
    once('group by');
    gather.groupBy = parseKeys(reader, () => parseGroupKey(reader, gather.from), 2);
  } else if (reader.took('order')) {
    once('order by');
    gather.orderBy = parseKeys(reader, () => parseOrderKey(reader, gather.from), ORDER_KEYS.length);
  } else if (reader.took('limit')) {
    parseLimit(reader, gather, once);
  } else if (reader.took('including')) {
    once('including');
    if (!reader.took('resting')) reader.fail('“resting”', ['resting']);
    gather.includingResting = true;
  } else if (reader.is('word', 'steps') && reader.ahead(1).value === 'apart') {
    once('steps apart');
    reader.tookWords('steps', 'apart');
    gather.stepsApart = true;
  } else if (reader.took('columns')) {
    once('columns');
    gather.columns = parseList<Column>(reader, isOfNotes(gather.from) ? NOTE_COLUMNS : COLUMNS, 'a field');
  } else if (reader.took('totals')) {
    once('totals');
    gather.totals = parseList(reader, TOTALS, 'a total');
  } else if (reader.took('as')) {
    once('as');
    gather.form = parseForm(reader, gather.from);
  } else if (reader.took('into')) {
    once('into');
    if (!reader.is('link')) reader.fail('a link such as [[Loans#Crates]]');
    gather.into = reader.take().value;
  } else if (first) {
    once('where');
    gather.where = parseCondition(reader, gather.from);
  } else {
    reader.fail('a clause', CLAUSE_WORDS);
  }
}

function parseLimit(reader: TokenReader, gather: Gather, once: (name: string) => void): void {
  const limit = Math.min(reader.number('the limit'), MOST_ROWS);
  if (reader.took('per')) {
    if (!reader.took('group')) reader.fail('“group”', ['group']);
    once('limit per group');
    gather.limitPerGroup = limit;
  } else {
    once('limit');
    gather.limit = limit;
  }
}

function parseKeys<T>(reader: TokenReader, parseKey: () => T, most: number): T[] {
  if (!reader.took('by')) reader.fail('“by”', ['by']);
  const keys = [parseKey()];
  while (reader.took(',')) {
    if (keys.length === most) reader.fail(`at most ${most} keys`);
    keys.push(parseKey());
  }
  return keys;
}

function parseList<T extends string>(reader: TokenReader, known: readonly T[], what: string): T[] {
  const list: T[] = [];
  do {
    const found = known.find((one) => reader.tookWords(...one.split(' ')));
    if (found === undefined) return reader.fail(what, known);
    if (!list.includes(found)) list.push(found);
  } while (reader.took(','));
  return list;
}

function parseForm(reader: TokenReader, source: Source): Form {
  const form = reader.is('word') ? FORMS.find((known) => known === reader.current.value) : undefined;
  if (form === undefined) return reader.fail('a form', FORMS);
  reader.take();
  switch (form) {
    case 'board':
      return { is: 'board', by: parseFormKey(reader, source), columns: parseBoardColumns(reader) };
    case 'summary':
      return { is: 'summary', by: parseFormKey(reader, source) };
    case 'spans':
      return { is: 'spans', by: parseFormKey(reader, source) };
    case 'bars': {
      const measure = parseMeasured(reader);
      const by = parseFormKey(reader, source);
      const of = parseOf(reader, by, source);
      return { is: 'bars', measure, by, ...(of && { of }), second: reader.took(',') ? parseKeyName(reader, source) : null };
    }
    case 'curve':
      return { is: 'curve', measure: parseMeasured(reader), by: parseFormKey(reader, source) };
    default:
      return { is: form };
  }
}

function parseFormKey(reader: TokenReader, source: Source): GroupKeyName {
  if (!reader.took('by')) reader.fail('“by”', ['by']);
  return parseKeyName(reader, source);
}

function parseMeasured(reader: TokenReader): Measure {
  if (!reader.took('of')) reader.fail('“of”', ['of']);
  return parseOneOf(reader, MEASURES);
}

/** `(todo, underway, none)`: the columns of a board, in their order. */
function parseBoardColumns(reader: TokenReader): (string | null)[] {
  const columns: (string | null)[] = [];
  if (!reader.took('(')) return columns;
  do {
    const { kind } = reader.current;
    if (kind !== 'word' && kind !== 'text' && kind !== 'tag' && kind !== 'person' && kind !== 'date' && kind !== 'number') {
      return reader.fail('the name of a column');
    }
    const { value } = reader.take();
    columns.push(kind === 'word' && value === 'none' ? null : value);
  } while (reader.took(','));
  if (!reader.took(')')) reader.fail('“)”');
  return columns;
}

function parseKeyName(reader: TokenReader, source: Source): GroupKeyName {
  const keys: readonly GroupKeyName[] = isOfNotes(source) ? NOTE_GROUP_KEYS : GROUP_KEYS;
  const key = reader.is('word') ? keys.find((known) => known === reader.current.value) : undefined;
  if (!key) return reader.fail('a key to group by', keys);
  reader.take();
  return key;
}

function parseGroupKey(reader: TokenReader, source: Source): GroupKey {
  const key = parseKeyName(reader, source);
  const of = parseOf(reader, key, source);
  const byCount = reader.tookWords('by', 'count');
  return { key, of, byCount, descending: parseDirection(reader) };
}

/** The date field by which days, weeks, months and periods go; null where none is said. */
function parseOf(reader: TokenReader, key: GroupKeyName, source: Source): DateField | null {
  if ((key !== 'day' && key !== 'week' && key !== 'month' && key !== 'period') || !reader.took('of')) return null;
  const fields: readonly DateField[] = isOfNotes(source) ? NOTE_DATE_FIELDS : DATE_FIELDS;
  const of = fields.find((known) => reader.is('word', known)) ?? reader.fail('a date field', fields);
  reader.take();
  return of;
}

function parseOrderKey(reader: TokenReader, source: Source): OrderKey {
  const keys: readonly OrderKeyName[] = isOfNotes(source) ? NOTE_ORDER_KEYS : ORDER_KEYS;
  const key = reader.is('word') ? keys.find((known) => known === reader.current.value) : undefined;
  if (!key) return reader.fail('a key to order by', keys);
  reader.take();
  return { key, descending: parseDirection(reader) };
}

function parseDirection(reader: TokenReader): boolean {
  if (reader.took('desc')) return true;
  reader.took('asc');
  return false;
}
