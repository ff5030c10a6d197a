import type { DayItem } from '../day-items';
import { inHand } from './in-hand';

const item = (text: string, more: Partial<DayItem> = {}): DayItem => ({
  kind: 'task',
  path: 'A.md',
  line: text.charCodeAt(0),
  text,
  start: null,
  end: null,
  minutes: null,
  status: 'todo',
  ...more,
});
const timed = (text: string, start: number, end: number, more: Partial<DayItem> = {}): DayItem => item(text, { start, end, ...more });

const NINE = timed('drafts', 540, 630);
const CALL = timed('call', 660, 690);
const KEY = item('key');
const VISIT = timed('visit', 600, 620, { kind: 'appointment', status: null });

describe('what is in hand', () => {
  it.each([
    ['what covers the minute', [NINE, CALL, KEY], [], 545, 'drafts', 'call'],
    ['its first minute', [NINE, CALL], [], 540, 'drafts', 'call'],
    ['no more at its end', [NINE, CALL], [], 630, null, 'call'],
    ['an appointment', [VISIT, CALL], [], 605, 'visit', 'call'],
    ['of what overlaps, what began last', [NINE, VISIT], [], 610, 'visit', null],
    ['what was begun goes before', [NINE, CALL, KEY], [{ item: KEY, since: 541 }], 545, 'key', 'call'],
    [
      'of two that were begun the latest',
      [NINE, KEY],
      [
        { item: KEY, since: 500 },
        { item: NINE, since: 540 },
      ],
      545,
      'drafts',
      'key',
    ],
    ['what is done is not in hand', [{ ...NINE, status: 'done' as const }, KEY], [], 545, null, 'key'],
    ['then the next in order, where nothing has a time', [KEY, item('lamp')], [{ item: KEY, since: 500 }], 545, 'key', 'lamp'],
    ['nothing', [], [], 545, null, null],
    ['what comes may be of later only', [timed('early', 480, 500), KEY], [], 545, null, 'key'],
  ] as const)('%s', (_what, items, begun, minute, now, then) => {
    const found = inHand<DayItem>(items, begun, { minute });
    expect([found.now?.item.text ?? null, found.then?.text ?? null]).toEqual([now, then]);
  });
});
