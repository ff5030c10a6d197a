import { minutesText } from '../calendar/duration';
import { readMoment } from '../calendar/span';
import { fieldWords, readFrontMatter } from '../note/facts/front-matter';
import { withFields } from '../note/facts/with-fields';
import { splitLines } from '../note/blocks/lines';
import { type Moment, stampOf } from '../task/acts/action-context';
import { between, reviewFacts } from './review-facts';

/** How far a review is. */
export type ReviewState =
  { is: 'to begin' } | { is: 'going'; since: Moment } | { is: 'paused'; since: Moment } | { is: 'finished'; minutes: number };

/** The field of a review that stands while it pauses; its minutes go to `pauses` when it goes on. */
const PAUSED = 'paused';

export function reviewState(text: string): ReviewState {
  const front = readFrontMatter(splitLines(text));
  const { start, end, minutes } = reviewFacts(front);
  if (end && minutes !== null) return { is: 'finished', minutes };
  const paused = readMoment(fieldWords(front.fields[PAUSED]) ?? '');
  if (start && paused) return { is: 'paused', since: { day: paused.from, minute: paused.minute } };
  return start ? { is: 'going', since: start } : { is: 'to begin' };
}

/** Minutes that a review took up to a moment, without its pauses. */
export function reviewMinutes(text: string, now: Moment): number {
  const front = readFrontMatter(splitLines(text));
  const { start, pauses, minutes } = reviewFacts(front);
  if (minutes !== null) return minutes;
  const state = reviewState(text);
  if (!start || state.is === 'to begin') return 0;
  return Math.max(0, between(start, state.is === 'paused' ? state.since : now) - pauses);
}

/** The text of a review that begins, begins again where it was finished, pauses, goes on, or is finished. */
export function reviewAfter(text: string, what: 'begin' | 'pause' | 'go on' | 'finish', now: Moment): string {
  const state = reviewState(text);
  switch (what) {
    case 'begin':
      return withFields(text, { start: stampOf(now), end: null, pauses: null, [PAUSED]: null });
    case 'pause':
      return state.is === 'going' ? withFields(text, { [PAUSED]: stampOf(now) }) : text;
    case 'go on': {
      if (state.is === 'paused') return withFields(text, { ...pausedUntil(text, state.since, now), [PAUSED]: null });
      if (state.is !== 'finished') return text;
      // The time since it was finished was a pause.
      const { end } = reviewFacts(readFrontMatter(splitLines(text)));
      return withFields(text, { ...(end && pausedUntil(text, end, now)), end: null });
    }
    case 'finish':
      return withFields(text, { ...(state.is === 'paused' && pausedUntil(text, state.since, now)), [PAUSED]: null, end: stampOf(now) });
  }
}

function pausedUntil(text: string, since: Moment, now: Moment): { pauses: string | null } {
  const { pauses } = reviewFacts(readFrontMatter(splitLines(text)));
  const minutes = pauses + Math.max(0, between(since, now));
  return { pauses: minutes === 0 ? null : minutesText(minutes) };
}
