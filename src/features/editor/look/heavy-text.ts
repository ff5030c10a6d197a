import type { Text } from '@codemirror/state';

/** Nobody writes such texts by hand; each of these makes colouring or reading slower than typing may be. */
const LONGEST_LINE = 20_000;
const LONGEST_PARAGRAPH = 60_000;
const LARGEST = 6_000_000;
const MOST_LINES = 30_000;
const DEEPEST = 60;
const WIDEST_INDENT = 400;

/** Why a text is shown plainly, as a person reads it. */
export type Heaviness = string;

const LARGE = 'it is larger than six million letters';
const MANY_LINES = 'it has more than 30,000 lines';
const LONG_LINE = 'it has a line of more than 20,000 letters';
const LONG_PARAGRAPH = 'it has a paragraph of more than 60,000 letters';
const DEEP = 'something in it is nested deeper than any outline';

/** What makes a text too heavy for marks and colours; null when nothing does. */
export function heavinessOf(doc: Text): Heaviness | null {
  if (doc.length > LARGEST) return LARGE;
  if (doc.lines > MOST_LINES) return MANY_LINES;
  let paragraph = 0;
  for (const line of doc.iterLines()) {
    if (line.length > LONGEST_LINE) return LONG_LINE;
    if (isDeep(line)) return DEEP;
    paragraph = line === '' || /^\s*(?:$|[-*+#>|`~]|\d{1,9}[.)])/.test(line) ? 0 : paragraph + line.length;
    if (paragraph > LONGEST_PARAGRAPH) return LONG_PARAGRAPH;
  }
  return null;
}

/** What makes one line too heavy. */
export function heavinessOfLine(line: string): Heaviness | null {
  return line.length > LONGEST_LINE ? LONG_LINE : isDeep(line) ? DEEP : null;
}

/** Whether a line stands, or opens what stands, in more quotes and lists than anybody makes. */
function isDeep(line: string): boolean {
  let at = 0;
  let marks = 0;
  let column = 0;
  for (; at < line.length; at++) {
    const code = line.charCodeAt(at);
    if (code === 32) column++;
    else if (code === 9) column += 4;
    else if (code === 62 || ((code === 45 || code === 42 || code === 43) && isSpaceAt(line, at + 1))) marks++;
    else break;
    if (marks > DEEPEST || column - marks > WIDEST_INDENT) return true;
  }
  return false;
}

const isSpaceAt = (line: string, at: number): boolean => at >= line.length || line.charCodeAt(at) === 32 || line.charCodeAt(at) === 9;
