import { splitLines } from '../../../note/blocks/lines';
import { readFrontMatter } from '../../../note/facts/front-matter';
import { type ReviewFacts, reviewFacts } from '../../../review/review-facts';
import type { NoteEntry } from '../../note-entry';

/** A review as it is listed. */
export interface ListedReview {
  path: string;
  title: string;
  facts: ReviewFacts;
  open: number;
}

/** The reviews, by their days; those without one stand first. */
export const reviewsIn = (entries: readonly NoteEntry[]): ListedReview[] =>
  entries
    .map(({ head: { path, title }, text, counts }) => ({
      path,
      title,
      facts: reviewFacts(readFrontMatter(splitLines(text))),
      open: counts.open,
    }))
    .sort((a, b) => (a.facts.date ?? -Infinity) - (b.facts.date ?? -Infinity));

/**
 * The review of the same sort before another: the last one whose title differs in nothing but its numbers.
 *
 * @example reviewBefore('Week 48 in review', day, [{ title: 'Week 47 in review', … }])
 */
export function reviewBefore(title: string, path: string, day: number | null, all: readonly ListedReview[]): ListedReview | null {
  const sort = (words: string): string =>
    words
      .replace(/\d+/g, '')
      .replace(/[\s,-]+/g, ' ')
      .trim()
      .toLowerCase();
  return (
    all.findLast((one) => one.path !== path && sort(one.title) === sort(title) && (day === null || (one.facts.date ?? -Infinity) < day)) ??
    null
  );
}
