/** A short sign of a text, by which one that was shipped once is known again (FNV-1a over UTF-16 units, twice 32 bits). */
export function signOfText(text: string): string {
  let one = 0x811c9dc5;
  let two = 0x01000193;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    one = Math.imul(one ^ code, 0x01000193);
    two = Math.imul(two ^ (code + at), 0x85ebca6b);
  }
  return [one, two].map((part) => (part >>> 0).toString(16).padStart(8, '0')).join('');
}
