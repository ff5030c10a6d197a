import { readFrame } from '../note/facts/note-frame';
import { formOfTemplate, formOfWords, lengthOfTemplate, meetingTemplateFor, ownKeysOf } from './meeting-template';

const template = (path: string, fields: string) => ({ path, text: `---\nkind: template\n${fields}\n---\n` });
const PLAIN = template('Templates/Meeting.md', 'for: meeting');
const VISIT = template('Templates/Visit.md', 'for: meeting\nform: Visit\ntakes: 1h30m\nroom:\nbadge: 7');
const PROJECT = template('Templates/Project.md', 'for: project\nform: visit');

test.each([
  ['visit', VISIT],
  ['VISIT', VISIT],
  ['call', PLAIN],
  [null, PLAIN],
])('of the form %s meetings begin from their own template, else from the one that says none', (form, expected) =>
  expect(meetingTemplateFor(form, [VISIT, PROJECT, PLAIN])).toBe(expected),
);

test('a template of another form is not taken for a meeting of none', () => {
  expect(meetingTemplateFor(null, [VISIT, PROJECT])).toBeNull();
  expect(meetingTemplateFor('call', [VISIT])).toBeNull();
});

test('what a template says of form and length', () => {
  expect([formOfTemplate(VISIT.text), lengthOfTemplate(VISIT.text)]).toEqual(['Visit', 90]);
  expect([formOfTemplate(PLAIN.text), lengthOfTemplate(PLAIN.text)]).toEqual([null, null]);
});

test('keys of one’s own are those that nothing else reads; what holds several things is none', () => {
  expect(ownKeysOf(readFrame('---\nkind: meeting\nroom: hall\ntags: [a]\nbadge: 7\nlist: [a, b]\nempty:\n---\n').front)).toEqual([
    'room',
    'badge',
    'empty',
  ]);
});

test.each([
  ['Visit with @teo', 'visit'],
  ['Weekly round with Kofi', 'weekly round'],
  ['weekly, with Kofi', null],
  ['Visitors in the hall', null],
  ['visit', 'visit'],
  ['', null],
])('“%s” begins with the form %s', (words, form) => expect(formOfWords(words, ['visit', 'weekly', 'weekly round'])).toBe(form));
