/** CommonMark 0.31.2 §4.6: the seven kinds of HTML block, by what opens and what closes them. */
const BLOCK_NAMES =
  'address|article|aside|base|basefont|blockquote|body|caption|center|col|colgroup|dd|details|dialog|dir|div|dl|dt|fieldset|figcaption|figure|footer|form|frame|frameset|h[123456]|head|header|hr|html|iframe|legend|li|link|main|menu|menuitem|nav|noframes|ol|optgroup|option|p|param|search|section|summary|table|tbody|td|tfoot|th|thead|title|tr|track|ul';
const ATTRIBUTE = '(?:\\s+[a-zA-Z_:][a-zA-Z0-9:._-]*(?:\\s*=\\s*(?:[^"\'=<>`\\x00-\\x20]+|\'[^\']*\'|"[^"]*"))?)';
const OPEN_TAG = `<[A-Za-z][A-Za-z0-9-]*${ATTRIBUTE}*\\s*/?>`;
const CLOSE_TAG = '</[A-Za-z][A-Za-z0-9-]*\\s*[>]';

const OPENS: RegExp[] = [
  /^<(?:script|pre|textarea|style)(?:\s|>|$)/i,
  /^<!--/,
  /^<[?]/,
  /^<![A-Za-z]/,
  /^<!\[CDATA\[/,
  new RegExp(`^</?(?:${BLOCK_NAMES})(?:\\s|/?>|$)`, 'i'),
  new RegExp(`^(?:${OPEN_TAG}|${CLOSE_TAG})\\s*$`, 'i'),
];

const CLOSES: (RegExp | null)[] = [/<\/(?:script|pre|textarea|style)>/i, /-->/, /\?>/, />/, /\]\]>/, null, null];

/** Tag lines longer than this are text: the seventh pattern must not wander over megabytes. */
const LONGEST_TAG_LINE = 20_000;

const EXCLAMATION = 33;
const QUESTION = 63;
/** The kinds that a second sign can open. */
const DECLARATIONS = [2, 4, 5];
const INSTRUCTION = [3];
const TAGS = [1, 6, 7];

/** The kind, 1 to 7, of the HTML block that a line beginning with `<` opens; 0 when it opens none. */
export function htmlBlockKind(words: string): number {
  const second = words.charCodeAt(1);
  const kinds = second === EXCLAMATION ? DECLARATIONS : second === QUESTION ? INSTRUCTION : TAGS;
  for (const kind of kinds) {
    if ((kind < 7 || words.length <= LONGEST_TAG_LINE) && OPENS[kind - 1]?.test(words)) return kind;
  }
  return 0;
}

/** Whether a line ends an HTML block of this kind. Kinds 6 and 7 end at a blank line instead. */
export function closesHtmlBlock(kind: number, words: string): boolean {
  return CLOSES[kind - 1]?.test(words) ?? false;
}
