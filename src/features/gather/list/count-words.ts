import { durationName } from '../../../core/calendar/duration';
import type { AnswerView, GroupView } from '../../../core/index/live/view';

/** `4 · 2 steps · 3h 10`: the rows that one sees, the steps inside them, and how long all take. */
export function countWords({ count, steps, takes }: Pick<GroupView, 'count' | 'steps' | 'takes'>): string {
  return joined([...rowWords(count, steps), takes === 0 ? null : durationName(takes)]);
}

/** What the head of a list says: how many, and the sums that were asked for. A task in two groups counts once. */
export function headWords({
  total,
  steps,
  rests,
  totals,
  sums,
}: Pick<AnswerView, 'total' | 'steps' | 'rests' | 'totals' | 'sums'>): string {
  // The number on the rack is without them.
  const resting = rests === 0 ? null : `${rests} ${rests === 1 ? 'rests' : 'rest'}`;
  const takes = totals.takes === 0 ? null : durationName(totals.takes);
  if (sums === null) return joined([...rowWords(total, steps), resting, takes]);
  const words = sums.flatMap((sum) => {
    if (sum === 'count') return [...rowWords(total, steps), resting];
    if (sum === 'takes') return [takes];
    return [totals.progress === null ? null : `${Math.round(100 * totals.progress)}% done`];
  });
  return joined(words);
}

function rowWords(count: number, steps: number): (string | null)[] {
  return [String(count - steps), steps === 0 ? null : `${steps} ${steps === 1 ? 'step' : 'steps'}`];
}

const joined = (words: readonly (string | null)[]): string => words.filter((word) => word !== null).join(' · ');
