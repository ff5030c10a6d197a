const LABEL = /^\[(?:[^\\[\]]|\\.){0,1000}\]:/s;
const SPACE = /^[ \t]*(?:\n[ \t]*)?/;
const DESTINATION_POINTY = /^<(?:[^<>\n\\]|\\.)*>/;
const TITLE = /^(?:"(?:\\[^]|[^"\\])*"|'(?:\\[^]|[^'\\])*'|\((?:\\[^]|[^()\\])*\))/;
const END_OF_LINE = /^[ \t]*(?:\n|$)/;

/**
 * How many characters at the start of a paragraph are link reference definitions (CommonMark 0.31.2
 * §4.7). A paragraph that holds nothing else is no paragraph, and what is underlined after it no heading.
 *
 * @param text the paragraph with its lines joined by `\n`, their indentation removed
 */
export function referenceDefinitionsLength(text: string): number {
  let at = 0;
  while (text.charCodeAt(at) === 91) {
    const length = definitionLength(text.slice(at));
    if (length === 0) break;
    at += length;
  }
  return at;
}

function definitionLength(text: string): number {
  const label = LABEL.exec(text);
  if (!label || /^\[\s*\]:$/.test(label[0])) return 0;
  let at = label[0].length;
  at += SPACE.exec(text.slice(at))?.[0].length ?? 0;
  const destination = destinationLength(text.slice(at));
  if (destination === 0) return 0;
  at += destination;
  const beforeTitle = at;
  const space = SPACE.exec(text.slice(at))?.[0].length ?? 0;
  const title = space > 0 ? TITLE.exec(text.slice(at + space)) : null;
  if (title && !/\n[ \t]*\n/.test(title[0])) {
    const afterTitle = at + space + title[0].length;
    const end = END_OF_LINE.exec(text.slice(afterTitle));
    if (end) return afterTitle + end[0].length;
  }
  const end = END_OF_LINE.exec(text.slice(beforeTitle));
  return end ? beforeTitle + end[0].length : 0;
}

function destinationLength(text: string): number {
  if (text.startsWith('<')) return DESTINATION_POINTY.exec(text)?.[0].length ?? 0;
  let depth = 0;
  let at = 0;
  for (; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === 92 && at + 1 < text.length && isPunctuation(text.charCodeAt(at + 1))) at++;
    else if (code === 40) depth++;
    else if (code === 41) {
      if (depth === 0) break;
      depth--;
    } else if (code <= 32 || code === 127) break;
  }
  return depth === 0 ? at : 0;
}

function isPunctuation(code: number): boolean {
  return (code >= 33 && code <= 47) || (code >= 58 && code <= 64) || (code >= 91 && code <= 96) || (code >= 123 && code <= 126);
}
