import { readIsoDay } from '../../../core/calendar/day';
import type { Day } from '../../../core/calendar/day';
import { factsIn, filledMeeting, meetingNote, withForm } from './meeting-note';

const DAY = readIsoDay('2026-11-23') as Day;
const VALUES = { minute: 600, answers: new Map<string, string>() };
const VISIT = {
  path: 'Templates/Visit.md',
  text: '---\nkind: template\nfor: meeting\nform: visit\ntakes: 2h\npeople: [lars]\nroom:\n---\n## To be seen\n\n- [ ] What must not be touched? {question}\n',
};
const PLAIN = { path: 'Templates/Meeting.md', text: '---\nkind: template\nfor: meeting\n---\n# {{name}}\n' };

test('a meeting of a form begins with what its template brings', () => {
  const filled = filledMeeting({ title: 'Visit', date: DAY, form: 'visit', start: 840 }, VISIT, VALUES);
  expect(meetingNote(filled, VISIT, VALUES)).toBe(
    '---\nkind: meeting\nform: visit\npeople: [lars]\nroom:\ndate: 2026-11-23\nstart: "14:00"\nend: "16:00"\ntitle: "Visit"\n---\n' +
      '## To be seen\n\n- [ ] What must not be touched? {question}\n',
  );
});

test('what is said of it goes before what its template brings', () => {
  const filled = filledMeeting({ title: null, date: DAY, people: ['teo'], start: 840, end: 870 }, VISIT, VALUES);
  expect(filled).toMatchObject({ people: ['teo'], end: 870, form: 'visit', title: null });
});

test('without a template it has only what is said', () => {
  const meeting = { title: 'Call', date: DAY };
  expect(filledMeeting(meeting, null, VALUES)).toBe(meeting);
  expect(meetingNote(meeting, null, VALUES)).toBe('---\nkind: meeting\ndate: 2026-11-23\ntitle: "Call"\n---\n');
});

describe('a meeting that becomes one of another form', () => {
  const values = { ...VALUES, day: DAY, name: 'Meeting' };
  const become = (text: string): string => withForm(text, { form: 'visit' }, { before: null, after: 'visit' }, [PLAIN, VISIT], values);

  it.each([
    ['', 'nothing written'],
    ['# Meeting\n', 'what its former template brought'],
  ])('with “%s” gets the words, the people and the keys of its template', (body) => {
    const text = become(`---\nkind: meeting\ndate: 2026-11-23\nstart: "14:00"\n---\n${body}`);
    expect(text).toContain('## To be seen');
    expect(text).not.toContain('# Meeting\n');
    expect(factsIn(text)).toMatchObject({ form: 'visit', people: ['lars'], start: 840, end: 960 });
    expect(text).toContain('\nroom:\n');
  });

  it('keeps what a person wrote, and whom they named', () => {
    const text = become('---\nkind: meeting\npeople: [kofi]\nroom: hall\n---\nSix crates.\n');
    expect(text).toBe('---\nkind: meeting\npeople: [kofi]\nroom: hall\nform: visit\n---\nSix crates.\n');
  });

  it('that has no template changes its form alone', () => {
    expect(withForm('---\nkind: meeting\n---\n', { form: 'talk' }, { before: null, after: 'talk' }, [VISIT], values)).toBe(
      '---\nkind: meeting\nform: talk\n---\n',
    );
  });
});
