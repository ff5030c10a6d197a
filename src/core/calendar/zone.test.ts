import { dayFrom } from './day';
import { fromUtc, inUtc } from './zone';

test('a moment goes to UTC and back, whatever the zone of the machine', () => {
  for (const month of [1, 6, 11])
    for (const minute of [0, 1, 719, 1439]) {
      const moment = { day: dayFrom({ year: 2026, month, day: 15 }), minute };
      expect(fromUtc(inUtc(moment))).toEqual(moment);
    }
  const date = new Date(2026, 10, 23, 9, 20);
  const { day, minute } = inUtc({ day: dayFrom({ year: 2026, month: 11, day: 23 }), minute: 560 });
  expect((day * 1440 + minute) * 60_000).toBe(date.getTime());
});
