import type { NoteSummary } from '../../../core/index/live/overview';
import { feetOf } from './feet-of';

const note = (path: string, foot?: string): NoteSummary => ({
  path,
  title: path,
  kind: 'agenda',
  journal: null,
  journalSaid: false,
  open: 0,
  closed: 0,
  ...(foot !== undefined && { foot }),
});

const NOTES = [note('Agenda/Z.md', 'person'), note('Agenda/A.md', 'person'), note('Agenda/Today.md'), note('Agenda/T.md', 'template')];

it.each([
  ['person', ['Agenda/A.md', 'Agenda/Z.md']],
  ['project', []],
  // Never under what is no text to read.
  ['template', []],
] as const)('under a note of kind %s', (kind, paths) => {
  expect(feetOf(kind, NOTES).map(({ path }) => path)).toEqual(paths);
});
