import { linkedToMeeting, meetingOfLine } from './appointment-meeting';

test.each([
  [
    '- 11:30-12:15 Call with @teo about [[Salt on the Glass]]',
    'Call with teo about Salt on the Glass',
    690,
    735,
    ['teo'],
    ['Salt on the Glass'],
  ],
  ['* 09:00 Rounds #rounds {takes 20m}', 'Rounds rounds', 540, null, [], []],
  ['- 23:30–00:15 Night watch', 'Night watch', 1410, 1455, [], []],
  ['- 23:00-24:00 Late shift', 'Late shift', 1380, 1440, [], []],
])('%s becomes the meeting “%s”', (line, title, start, end, people, about) =>
  expect(meetingOfLine(line)).toEqual({ title, start, end, people, about }),
);

test.each(['- Call with @teo', 'just words', '- 25:00 nothing', '- 11:30', '- 11:30 [[2026-11-23 Call|Call]]'])(
  '%s is no appointment that becomes one',
  (line) => expect(meetingOfLine(line)).toBeNull(),
);

test('its line leads to the meeting, and makes no second one', () => {
  const linked = linkedToMeeting('- 11:30-12:15 Call with @teo {key}', '2026-11-23 Call', 'Call');
  expect(linked).toBe('- 11:30-12:15 [[2026-11-23 Call|Call]] {key}');
  expect(meetingOfLine(linked)).toBeNull();
  expect(linkedToMeeting('  - 09:00 Rounds', 'Rounds', 'Rounds')).toBe('  - 09:00 [[Rounds]]');
});
