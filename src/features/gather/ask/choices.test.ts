import { parseGather } from '../../../core/gather/language/parse';
import { CHOICE_KINDS, choicesFrom, matching, typedChoices } from './choices';

const KNOWN = {
  tags: [{ name: 'loans', open: 4 }],
  people: [{ name: 'kofi', open: 0 }],
  notes: [
    { title: 'Salt on the Glass', path: 'Exhibitions/Salt on the Glass.md', open: 11 },
    { title: 'Say "no" [twice]', path: 'Private/Odd.md', open: 0 },
  ],
  statuses: [{ sign: '>', name: 'On the "lorry"', means: 'underway' as const, colour: null, icon: null }],
};

test('every choice can be read, and there is one of each kind', () => {
  const choices = choicesFrom(KNOWN);
  for (const { text } of choices) expect([text, parseGather(`where ${text}`).errors]).toEqual([text, []]);
  expect(new Set(choices.map(({ kind }) => kind))).toEqual(new Set(CHOICE_KINDS.filter((kind) => kind !== 'words')));
  expect(choices.find(({ text }) => text === '#loans')?.hint).toBe('4 open');
  expect(choices.find(({ text }) => text === 'path in "Exhibitions"')?.hint).toBe('11 open');
});

test.each([
  ['', []],
  ['crate', ['text has "crate"']],
  ['#crate', ['text has "crate"']],
  ['due < today + 3 days', ['due < today + 3 days', 'text has "due < today + 3 days"']],
  ['say "no"', ['text has "say \\"no\\""']],
])('typed %j may be %j', (typed, texts) => expect(typedChoices(typed).map(({ text }) => text)).toEqual(texts));

test('what begins with the typed words stands before what only holds them', () => {
  const all = ['due = today', '#today-only', '@today', 'plan = today'].map((text) => ({
    kind: 'date' as const,
    text,
    hint: '',
    words: `say ${text}`,
  }));
  expect(matching(all, 'today').map(({ text }) => text)).toEqual(['#today-only', '@today', 'due = today', 'plan = today']);
  expect(matching(all, 'due tod').map(({ text }) => text)).toEqual(['due = today']);
  expect(matching(all, '(').map(({ text }) => text)).toEqual([]);
});
