import type { HandItem, InHand } from '../../../core/index/days/day-plan';
import { handWords, toBegin } from './use-hand';

const item = (more: Partial<HandItem> = {}): HandItem => ({
  kind: 'task',
  path: 'A.md',
  line: 0,
  text: 'drafts',
  start: null,
  end: null,
  minutes: null,
  status: 'todo',
  task: { path: 'A.md', line: 0, raw: '- [ ] drafts', text: 'drafts', noteTitle: 'A', status: 'todo' },
  ...more,
});

describe('what is in hand, in words', () => {
  it.each([
    ['by the clock', { item: item({ start: 540, end: 630, minutes: 90 }), since: null }, 545, { until: '10:30', over: 0 }],
    ['over midnight', { item: item({ start: 1410, end: 1455 }), since: null }, 1420, { until: '00:15', over: 0 }],
    ['begun, with a length', { item: item({ minutes: 30 }), since: 540 }, 560, { until: '09:30', over: 0 }],
    ['longer than meant', { item: item({ minutes: 30 }), since: 540 }, 582, { until: '09:30', over: 12 }],
    ['begun, without a length', { item: item(), since: 540 }, 900, { until: null, over: 0 }],
  ])('%s', (_what, now, minute, words) => expect(handWords(now, minute)).toEqual(words));
});

describe('what one would begin', () => {
  const meeting = item({ kind: 'meeting', task: null, status: null });
  it.each<[string, InHand, string | null]>([
    ['what is its time and not begun', { now: { item: item({ text: 'a' }), since: null }, then: item({ text: 'b' }) }, 'a'],
    [
      'the next, while one is begun',
      { now: { item: item({ text: 'a', status: 'underway' }), since: 540 }, then: item({ text: 'b' }) },
      'b',
    ],
    ['the next, during a meeting', { now: { item: meeting, since: null }, then: item({ text: 'b' }) }, 'b'],
    ['nothing, before a meeting', { now: null, then: meeting }, null],
    ['nothing', { now: null, then: null }, null],
  ])('%s', (_what, hand, text) => expect(toBegin(hand)?.text ?? null).toBe(text));
});
