import { readIsoDay } from '../../core/calendar/day';
import { meetingFacts } from '../../core/meeting/meeting-facts';
import { readFrame } from '../../core/note/facts/note-frame';
import { withFields } from '../../core/note/facts/with-fields';
import { fieldsOf, fieldsOfNext, readTimes } from './meeting-fields';

test.each([
  ['11:30–12:15', '11:30', '12:15'],
  ['9:05-10:00', '09:05', '10:00'],
  ['14.00', '14:00', null],
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
    ...fieldsOf.time({ start: '11:30', end: '12:15' }),
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
  const next = meetingFacts(readFrame(withFields('', fieldsOfNext(facts, 'Registrar meetings', readIsoDay('2026-11-30') ?? 0))).front);
  expect(next).toEqual({ ...facts, date: readIsoDay('2026-11-30'), every: null });
});
