import { readIsoDay } from '../../core/calendar/day';
import type { Overview } from '../../core/index/live/overview';
import { meetingFacts } from '../../core/meeting/meeting-facts';
import { readFrame } from '../../core/note/facts/note-frame';
import { meetingFrom, newMeetingText } from './new-meeting';

const DAY = readIsoDay('2026-11-23') ?? 0;
const OVERVIEW = {
  notes: [
    { path: 'Exhibitions/Salt.md', title: 'Salt on the Glass', kind: 'project' },
    { path: 'Loose.md', title: 'Loose', kind: 'note' },
    { path: 'People/Kofi.md', title: 'Kofi Asante', kind: 'person' },
  ],
  people: [{ name: 'kofi', fullName: 'Kofi Asante', path: 'People/Kofi.md' }],
} as unknown as Overview;

test.each([
  ['People/Kofi.md', 'Meeting with Kofi', ['kofi'], []],
  ['Exhibitions/Salt.md', 'Meeting', [], ['Salt on the Glass']],
  ['Loose.md', 'Meeting', [], []],
  [null, 'Meeting', [], []],
])('a meeting that begins at %s is called %s', (path, title, people, about) => {
  const made = meetingFrom(path, OVERVIEW, DAY);
  expect(made).toEqual({ title, file: `2026-11-23 ${title}`, people, about });
  const { front } = readFrame(newMeetingText('---\nkind: meeting\n---\n- [ ] Minutes\n', made, DAY));
  expect([front.title, front.kind]).toEqual([title, 'meeting']);
  expect(meetingFacts(front)).toMatchObject({ date: DAY, people, about, problems: [] });
});
