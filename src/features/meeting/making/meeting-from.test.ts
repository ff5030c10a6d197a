import type { Overview } from '../../../core/index/live/overview';
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
  ['People/Kofi.md', ['kofi'], []],
  ['Exhibitions/Salt.md', [], ['Salt on the Glass']],
  ['Loose.md', [], []],
  [null, [], []],
])('a meeting that begins at %s is with %j and about %j, and is called by that', (path, people, about) =>
  expect(meetingFrom(path, OVERVIEW, 20780)).toEqual({ title: null, date: 20780, people, about }),
);
