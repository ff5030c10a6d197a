/**
 * Recognises the phrases that `every` may hold (the format's section on repeats). Whether a clause *is* a
 * repeat decides whether braces are a tail; what its dates are is not asked here.
 */
const WEEKDAY = '(?:mon|tue|wed|thu|fri|sat|sun)(?:[a-z]*day)?';
const MONTH = '(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*';
const LIST = (one: string): string => `${one}(?:, ?${one})*`;
const ORDINAL = '(?:1st|2nd|3rd|4th|5th|last)';
const DAY_OF_MONTH = `(?:\\d{1,2}|last day|${ORDINAL} ${WEEKDAY})`;
const UNIT = '(?:days?|weekdays?|weeks?|months?|quarters?|years?)';
const PATTERN = [
  LIST(WEEKDAY),
  `(?:\\d{1,3} )?${UNIT}` + `(?: on (?:${LIST(WEEKDAY)}|${LIST(DAY_OF_MONTH)}|\\d{1,2} ${MONTH}|${ORDINAL} ${WEEKDAY} of ${MONTH}))?`,
].join('|');
const BOUND = '(?: x\\d{1,4}| until \\d{4}-\\d{2}-\\d{2})';
const PHRASE = new RegExp(`^(?:${PATTERN})(?: from \\d{4}-\\d{2}-\\d{2})?(?: after done)?${BOUND}?$`, 'i');

/** `isRepeatPhrase('month on last fri')` is true; `isRepeatPhrase('now and then')` is false. */
export function isRepeatPhrase(words: string): boolean {
  return words.length < 200 && PHRASE.test(words.replace(/\s+/g, ' '));
}
