import type { Overview } from '../../core/index/live/overview';
import { meetingFrom } from './meeting-from';

const OVERVIEW = {
  notes: [
    { path: 'Exhibitions/Salt.md', title: 'Salt on the Glass', kind: 'project' },
    { path: 'Loose.md', title: 'Loose', kind: 'note' },
    { path: 'People/Kofi.md', title: 'Kofi Asante', kind: 'person' },
  ],
  people: [
    { name: 'kofi', fullName: 'Kofi Asante', path: 'People/Kofi.md' },
    { name: 'ilse', fullName: null, path: null },
  ],
} as unknown as Overview;

test.each([
  ['People/Kofi.md', 'Meeting with Kofi', ['kofi'], []],
  ['Exhibitions/Salt.md', 'Meeting', [], ['Salt on the Glass']],
  ['Loose.md', 'Meeting', [], []],
  [null, 'Meeting', [], []],
])('a meeting that begins at %s is called %s', (path, title, people, about) =>
  expect(meetingFrom(path, OVERVIEW, 20780)).toEqual({ title, date: 20780, people, about }),
);
