export type TokenKind =
  'word' | 'number' | 'date' | 'duration' | 'tag' | 'person' | 'link' | 'text' | 'ref' | 'pattern' | 'sign' | 'title' | 'bad' | 'end';

/** A piece of a gather's text. */
export interface Token {
  kind: TokenKind;
  /** Words in lower case; names without their sign; text without its quotes. */
  value: string;
  from: number;
  to: number;
  /** Whether it is the first of its line. */
  startsLine: boolean;
}

const NAME = '[\\p{L}\\p{M}\\p{N}_]+(?:[-/.][\\p{L}\\p{M}\\p{N}_]+)*';
const PATTERNS: readonly [TokenKind, RegExp][] = [
  ['date', /\d{4}-(?:\d{2}-\d{2}|W\d{2}|\d{2})(?![\p{L}\p{N}-])/uy],
  ['duration', /(?:\d+(?:\.\d+)?[dh](?:\d+m)?|\d+m)(?![\p{L}\p{N}])/uy],
  ['number', /\d+(?![\p{L}])/uy],
  ['tag', new RegExp(`#${NAME}`, 'uy')],
  ['person', new RegExp(`@${NAME}`, 'uy')],
  ['link', /\[\[[^\][\n]+\]\]/y],
  ['ref', /recado:[a-z0-9]{6}(?![a-z0-9])/y],
  ['text', /"(?:[^"\\\n]|\\.)*"/y],
  ['sign', /\.\.|!=|<=|>=|[=<>(),+%-]/y],
  ['word', /[\p{L}_][\p{L}\p{M}\p{N}_]*/uy],
];

/** Cuts a gather's text into tokens; the last is always of kind `end`. Comments begin with `--` after white space. */
export function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  let startsLine = true;
  while (at < text.length) {
    const sign = text.charAt(at);
    if (sign === '\n' || sign === '\r') {
      startsLine = true;
      at++;
    } else if (/\s/.test(sign)) at++;
    else if (text.startsWith('--', at) && (at === 0 || /\s/.test(text.charAt(at - 1)))) at = endOfLine(text, at);
    else {
      const token = patternAt(text, at, tokens) ?? (startsLine ? (titleAt(text, at) ?? tokenAt(text, at, true)) : tokenAt(text, at, false));
      tokens.push(token);
      at = token.to;
      startsLine = false;
    }
  }
  tokens.push({ kind: 'end', value: '', from: text.length, to: text.length, startsLine });
  return tokens;
}

function endOfLine(text: string, from: number): number {
  const end = text.indexOf('\n', from);
  return end === -1 ? text.length : end;
}

/** `title` begins a clause only at the start of a line, and runs to its end. */
function titleAt(text: string, at: number): Token | null {
  const match = /^title(?![\p{L}\p{N}_])[ \t]*/iu.exec(text.slice(at, at + 80));
  if (!match || /^(?:[=<>!,]|has\s+")/i.test(text.slice(at + match[0].length))) return null;
  const to = endOfLine(text, at);
  return { kind: 'title', value: text.slice(at + match[0].length, to).trim(), from: at, to, startsLine: true };
}

const PATTERN = /\/(?:[^/\\\n]|\\.)+\/[a-z]*/y;

/** Only behind `like` does a slash begin a pattern. */
function patternAt(text: string, at: number, before: readonly Token[]): Token | null {
  const last = before.at(-1);
  if (last?.kind !== 'word' || last.value !== 'like') return null;
  PATTERN.lastIndex = at;
  const match = PATTERN.exec(text);
  return match && { kind: 'pattern', value: match[0], from: at, to: at + match[0].length, startsLine: false };
}

function tokenAt(text: string, at: number, startsLine: boolean): Token {
  for (const [kind, pattern] of PATTERNS) {
    pattern.lastIndex = at;
    const match = pattern.exec(text);
    if (match) return { kind, value: valueOf(kind, match[0]), from: at, to: at + match[0].length, startsLine };
  }
  const to = at + ((text.codePointAt(at) ?? 0) > 0xffff ? 2 : 1);
  return { kind: 'bad', value: text.slice(at, to), from: at, to, startsLine };
}

function valueOf(kind: TokenKind, written: string): string {
  switch (kind) {
    case 'tag':
    case 'person':
      return written.slice(1);
    case 'link':
      return written.slice(2, -2);
    case 'text':
      return written.slice(1, -1).replace(/\\(.)/g, '$1');
    case 'word':
      return written.toLowerCase();
    default:
      return written;
  }
}
