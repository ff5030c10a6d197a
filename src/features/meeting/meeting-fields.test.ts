import { readIsoDay } from '../../core/calendar/day';
import { meetingFacts } from '../../core/meeting/meeting-facts';
import { readFrame } from '../../core/note/facts/note-frame';
import { withFields } from '../../core/note/facts/with-fields';
import { fieldsOf, fieldsOfMeeting, readTimes } from './meeting-fields';

test.each([
  ['11:30–12:15', 690, 735],
  ['9:05 - 10:00', 545, 600],
  ['14.00', 840, null],
  ['23:30-00:15', 1410, 1455],
  ['23:00-24:00', 1380, 1440],
  ['', null, null],
])('“%s” is from %s to %s', (words, start, end) => expect(readTimes(words)).toEqual({ start, end }));

test.each(['noon', '25:00', '11:75', '11:30 to 12'])('“%s” is no time', (words) => expect(readTimes(words)).toBeNull());

test('what is stored is read back', () => {
  const fields = {
    kind: 'meeting',
    ...fieldsOf.form('weekly round: crates'),
    ...fieldsOf.people(['kofi', 'no', 'jan.peter']),
    ...fieldsOf.about(['Salt on the Glass', 'Say "no"']),
    ...fieldsOf.series('Registrar meetings'),
    ...fieldsOf.every('every mon'),
    ...fieldsOf.date(readIsoDay('2026-11-23')),
    ...fieldsOf.time({ start: 690, end: 735 }),
  };
  const facts = meetingFacts(readFrame(withFields('', fields)).front);
  expect(facts).toEqual({
    date: readIsoDay('2026-11-23'),
    start: 690,
    end: 735,
    people: ['kofi', 'no', 'jan.peter'],
    about: ['Salt on the Glass', 'Say "no"'],
    form: 'weekly round: crates',
    series: 'Registrar meetings',
    every: 'every mon',
    problems: [],
  });
  // The next of a series has all of that but the rule.
  const { front } = readFrame(withFields('', fieldsOfMeeting({ ...facts, title: 'Round: "crates"', date: 20787 })));
  expect([front.title, front.kind]).toEqual(['Round: "crates"', 'meeting']);
  expect(meetingFacts(front)).toEqual({ ...facts, date: 20787, every: null });
});
