/** The characters that open blocks, by their codes (CommonMark 0.31.2 §4 and §5). */
export const SPACE = 32;
export const HASH = 35;
export const STAR = 42;
export const PLUS = 43;
export const DASH = 45;
export const DOT = 46;
export const LESS = 60;
export const EQUALS = 61;
export const GREATER = 62;
export const COLON = 58;
export const OPEN_BRACKET = 91;
export const BACKSLASH = 92;
export const CLOSE_BRACKET = 93;
export const UNDERSCORE = 95;
export const BACKTICK = 96;
export const TILDE = 126;

export const isDigit = (code: number): boolean => code >= 48 && code <= 57;

/** Whether a line's first character can open anything but a paragraph. */
export function mayOpen(code: number): boolean {
  return (
    code === HASH ||
    code === BACKTICK ||
    code === TILDE ||
    code === STAR ||
    code === PLUS ||
    code === UNDERSCORE ||
    code === EQUALS ||
    code === LESS ||
    code === GREATER ||
    code === DASH ||
    isDigit(code)
  );
}

/** For each character of ASCII whether words that begin with it, at the margin, open no block: neither an opening sign nor white space. */
const WORDS = new Uint8Array(128);
for (let code = 33; code < 128; code++) WORDS[code] = mayOpen(code) ? 0 : 1;

/** Whether a line that begins with this character is words, where nothing indents it. */
export const beginsWords = (code: number): boolean => code > 127 || WORDS[code] === 1;

/** The words of a `#` heading without its closing signs. */
export function headingWords(rest: string): string {
  let from = 0;
  let to = rest.length;
  while (from < to && isBlank(rest.charCodeAt(from))) from++;
  while (to > from && isBlank(rest.charCodeAt(to - 1))) to--;
  let closing = to;
  while (closing > from && rest.charCodeAt(closing - 1) === HASH) closing--;
  if (closing < to && (closing === from || isBlank(rest.charCodeAt(closing - 1)))) {
    to = closing;
    while (to > from && isBlank(rest.charCodeAt(to - 1))) to--;
  }
  return rest.slice(from, to);
}

const isBlank = (code: number): boolean => code === 32 || code === 9;
