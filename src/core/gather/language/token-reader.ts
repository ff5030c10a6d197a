import type { GatherError } from './ast';
import { nearestWord } from '../offering/nearest-word';
import { triedAs } from '../offering/tried-words';
import type { Token, TokenKind } from './lexer';

/** Thrown inside the parser only; a clause that throws is left out, and its error is told. */
export class Unreadable extends Error {
  constructor(readonly error: GatherError) {
    super(error.message);
  }
}

/** Steps through the tokens of a gather. */
export class TokenReader {
  private index = 0;

  /**
   * @param text what the tokens were cut from, by which errors say how else it is written
   * @param wanted takes the words and signs that could go on where the tokens end
   */
  constructor(
    private readonly tokens: readonly Token[],
    private readonly text = '',
    private readonly wanted?: Set<string>,
  ) {}

  get current(): Token {
    return this.ahead(0);
  }

  ahead(count: number): Token {
    const token = this.tokens[Math.min(this.index + count, this.tokens.length - 1)];
    if (!token) throw new Error('a list of tokens always has an end');
    return token;
  }

  take(): Token {
    const token = this.current;
    if (token.kind !== 'end') this.index++;
    return token;
  }

  is(kind: TokenKind, value?: string): boolean {
    if (value !== undefined) this.want(value);
    return this.current.kind === kind && (value === undefined || this.current.value === value);
  }

  /** Takes the token when it is this word or sign. */
  took(value: string): boolean {
    this.want(value);
    const { kind } = this.current;
    if ((kind !== 'word' && kind !== 'sign') || this.current.value !== value) return false;
    this.index++;
    return true;
  }

  /** Takes a run of words when all of them stand here. */
  tookWords(...words: string[]): boolean {
    const ends = words.findIndex((word, index) => this.ahead(index).kind !== 'word' || this.ahead(index).value !== word);
    if (ends !== -1 && this.ahead(ends).kind === 'end') this.wanted?.add(words.slice(ends).join(' '));
    if (!words.every((word, index) => this.ahead(index).kind === 'word' && this.ahead(index).value === word)) return false;
    this.index += words.length;
    return true;
  }

  /** Tells that words could stand behind the present one. */
  couldFollow(words: readonly string[]): void {
    if (this.wanted && this.current.kind !== 'end' && this.ahead(1).kind === 'end') for (const word of words) this.wanted.add(word);
  }

  private want(word: string): void {
    if (this.wanted && this.current.kind === 'end') this.wanted.add(word);
  }

  number(what: string): number {
    if (!this.is('number')) this.fail(`a number for ${what}`);
    return Number(this.take().value);
  }

  /**
   * Stops the clause: says what was expected, what stands there and, for a word, the nearest one that exists.
   *
   * @param known the words that could stand here
   */
  fail(expected: string, known: readonly string[] = []): never {
    const token = this.current;
    for (const word of known) this.want(word);
    const found = token.kind === 'end' ? 'the gather ends' : `“${shown(token)}” stands`;
    const before = this.tokens[this.index - 1];
    const tried = triedAs(this.text.slice(token.from)) ?? (before && token.kind !== 'end' ? triedAs(this.text.slice(before.from)) : null);
    const nearest = tried === null && token.kind === 'word' ? nearestWord(token.value, known) : null;
    const hint = tried !== null ? ` Say “${tried}”.` : nearest === null ? '' : ` Did you mean “${nearest}”?`;
    throw new Unreadable({ message: `Here ${found}, where ${expected} was expected.${hint}`, from: token.from, to: token.to });
  }
}

function shown(token: Token): string {
  switch (token.kind) {
    case 'tag':
      return `#${token.value}`;
    case 'person':
      return `@${token.value}`;
    case 'link':
      return `[[${token.value}]]`;
    case 'text':
      return `"${token.value}"`;
    case 'title':
      return 'title';
    default:
      return token.value;
  }
}
