/** What people write first, and how the language says it; the pieces of the find stand in for `$1`, `$2`. */
const TRIED: readonly (readonly [RegExp, string])[] = [
  [/^overdue\b/i, 'late'],
  [/^(?:sort|sorted|ordered?)\s+(?:by\s+)?(\w+)/i, 'order by $1'],
  [/^group(?:ed)?\s+(?!by\b)(\w+)/i, 'group by $1'],
  [/^tags?\s*(?:=|:|in|is)?\s*["#]?([\p{L}\p{N}_/-]+)"?/iu, '#$1'],
  [/^(?:person|people|assignee|who)\s*(?:=|:|is)\s*["@]?([\p{L}\p{N}_.-]+)"?/iu, '@$1'],
  [/^status\s*(?:=|:|is)?\s*"?(open|closed|todo|underway|waiting|done|cancelled)"?/i, '$1'],
  [/^is\s+(open|closed|todo|underway|waiting|done|cancelled|late|resting|blocked)\b/i, '$1'],
  [/^(?:completed?|finished)\b/i, 'done'],
  [/^(?:unfinished|incomplete|pending|undone)\b/i, 'open'],
  [/^(?:started|doing|in\s+progress|ongoing)\b/i, 'underway'],
  [/^(?:hidden|snoozed|sleeping)\b/i, 'resting'],
  [/^(?:recurring|repeating)\b/i, 'repeats'],
  [/^priority\s+(top|high|normal|low)\b/i, 'priority = $1'],
  [/^(top|high|low)(?:\s+priority)?\b/i, 'priority = $1'],
  [/^(due|plan|start|done|made)\s+before\s+(\S+)/i, '$1 < $2'],
  [/^(due|plan|start|done|made)\s+after\s+(\S+)/i, '$1 > $2'],
  [/^(due|plan|start|done|made)\s+(?:by|until)\s+(\S+)/i, '$1 <= $2'],
  [/^(due|plan|start|done|made)\s*:?\s*((?:this|next|last)\s+(?:\d+\s+)?\w+)/i, '$1 in $2'],
  [/^(due|plan|start|done|made)\s*(?:on|:|is)?\s*(today|tomorrow|yesterday|mon|tue|wed|thu|fri|sat|sun|\d{4}-\S+)/i, '$1 = $2'],
  [/^(?:scheduled|planned)\b/i, 'plan'],
  [/^deadline\b/i, 'due'],
  [/^(?:no|missing)\s+(due|plan|start|owner|tag|person|takes|priority)\b/i, 'without $1'],
  [/^has\s+(due|plan|start|owner|tag|person|takes|priority)\b/i, 'with $1'],
  [/^(?:text\s+)?(?:contains|includes)\s+"?([^"\n]+?)"?\s*$/im, '"$1"'],
  [/^(?:folder|in)\s*(?:=|:|is)?\s*"([^"\n]+)"/i, 'path in "$1"'],
  [/^calendar\b/i, 'month” or “weeks'],
  [/^timeline\b/i, 'spans by tag'],
  [/^chart\s+of\s+(\w+)\s+by\s+(\w+)/i, 'bars of $1 by $2'],
  [/^=\s*someday\b/i, '= later'],
  [/^(?:,|&&?|\+)/, 'and'],
  [/^\|\|?/, 'or'],
  [/^!/, 'not'],
];

/**
 * How the language says what was written at a place; null when that is nothing people usually try.
 *
 * @example triedAs('tag = loans') // '#loans'
 */
export function triedAs(text: string): string | null {
  for (const [pattern, words] of TRIED) {
    const found = pattern.exec(text);
    if (found) return words.replace(/\$(\d)/g, (_, place: string) => (found[Number(place)] ?? '').trim());
  }
  return null;
}
