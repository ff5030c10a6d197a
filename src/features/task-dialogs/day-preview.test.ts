import { ACTION_DEFAULTS } from '../../core/task/acts/action-context';
import { type DayWhat, dayPreview } from './day-preview';

const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const preview = (raw: string, what: DayWhat, words: string): string | null => {
  const result = dayPreview(raw, what, words, CONTEXT, 'words');
  if (!result) return null;
  return 'chip' in result ? `${result.chip.word} ${result.chip.value}` : result.problem;
};

it.each<[string, DayWhat, string, string | null]>([
  ['    - [ ] a', 'plan', 'fri', 'plan Fri 27'],
  ['> - [ ] a', 'due', 'next week', 'due Sun 6 Dec'],
  ['- [ ] a {plan 2026-11-23 09:00}', 'plan', 'tomorrow', 'plan tomorrow 09:00'],
  ['- [ ] a', 'plan', 'next week', 'plan next week'],
  ['- [ ] a', 'rest', '3 days', 'start Thu 26'],
  ['- [ ] a', 'rest', 'yesterday', 'A task can only rest until a day after today.'],
  ['- [ ] a', 'plan', 'soon', '“soon” names no day to move to.'],
  ['- [ ] a', 'plan', ' ', null],
])('%s, %s “%s”: %s', (raw, what, words, shown) => expect(preview(raw, what, words)).toBe(shown));
