import fc from 'fast-check';
import { ACTION_DEFAULTS, type ActionContext } from '../../task/acts/action-context';
import { actOnLines } from '../../task/acts/act-on-lines';
import { readNote } from '../../task/reading/read-note';
import { shelfOf } from '../../index/live/shelf';
import { mergedTask } from './merged-task';
import { intentionsFor, sharedLine } from './shared-lines';
import { SHARED_FIELDS, type SharedTask, sameField, sameTask, sharedOf, withFields } from './shared-task';

const CONTEXT: ActionContext = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const BASE: SharedTask = {
  words: 'Weigh the crate',
  status: 'todo',
  due: '2026-11-27',
  plan: null,
  priority: null,
  tags: ['loans'],
  every: null,
};
const read = (line: string): SharedTask => {
  const [task] = readNote('', `- ${line}\n`).tasks;
  if (!task) throw new Error(line);
  return sharedOf(task);
};
const task = fc.record({
  words: fc.constantFrom('Weigh the crate', 'Ask @noor', 'Call [[Salt on the Glass]]', 'Sort #glass by size'),
  status: fc.constantFrom('todo', 'underway', 'waiting', 'done', 'cancelled'),
  due: fc.constantFrom(null, '2026-11-27', '2026-12-02 15:00'),
  plan: fc.constantFrom(null, '2026-11-25', '2026-11-26 09:00', '2026-W50'),
  priority: fc.constantFrom(null, 'top', 'high', 'low'),
  tags: fc.uniqueArray(fc.constantFrom('loans', 'keys', 'a/b')).map((tags) => tags.sort()),
  every: fc.constantFrom(null, 'mon', '2 weeks'),
}) as fc.Arbitrary<SharedTask>;
/** Tags that stand among the words are tags of the line too. */
const withNamed = (one: SharedTask): SharedTask =>
  one.words.includes('#glass') ? { ...one, tags: [...new Set([...one.tags, 'glass'])].sort() } : one;

test('what a line shares: its words without the tags behind them, own tags alone', () => {
  const [, shared] = readNote(
    '',
    '# Loans #autumn\n- [ ] outer #all\n  - [_] Sort #glass by @noor #keys #loans {due 2026-11-27 15:00; high}\n',
  ).tasks;
  expect(shared && sharedOf(shared)).toEqual({
    ...{ words: 'Sort #glass by @noor', status: 'underway', due: '2026-11-27 15:00', plan: null, priority: 'high', every: null },
    tags: ['glass', 'keys', 'loans'],
  });
});

test('a line made of a task says it', () => {
  fc.assert(fc.property(task, (one) => expect(read(sharedLine(one, [{ word: 'ref', value: 'k3f9qa' }]))).toEqual(withNamed(one))));
  expect(sharedLine({ ...BASE, words: ' ' }, [])).toBe('[ ] Without words #loans {due 2026-11-27}');
  expect(sharedLine({ ...BASE, words: 'two\nlines {due fri}' }, [])).toBe('[ ] two lines {due fri} #loans {due 2026-11-27}');
});

test('what is done to a line makes it say what the other face says, and nothing else', async () => {
  const plain = fc.constantFrom('Weigh the crate', 'Ask @noor', 'Call them');
  // A repeat that is finished goes on instead, which the store sees to.
  const one = task.map((each) => ({ ...each, every: null }));
  await fc.assert(
    fc.asyncProperty(one, one, plain, fc.subarray([...SHARED_FIELDS]), async (from, to, words, fields) => {
      const before = withNamed({ ...from, words: 'Weigh the crate' });
      const text = `- ${sharedLine(before, [])}\n- [ ] another\n`;
      const wanted = withFields(before, { ...to, words }, fields);
      const [present] = readNote('A.md', text).tasks;
      if (!present) throw new Error(text);
      const ref = { path: 'A.md', line: 0, expected: present.raw };
      const intentions = intentionsFor(
        before,
        wanted,
        SHARED_FIELDS.filter((field) => fields.includes(field) && !sameField(field, before, wanted)),
      );
      const outcome = await actOnLines(shelfOf([{ path: 'A.md', text }]), [{ ref, intentions }], CONTEXT);
      const after = outcome.texts.get('a.md')?.text ?? text;
      expect([outcome.refused, sharedOf(readNote('A.md', after).tasks[0] as typeof present)]).toEqual([[], wanted]);
      expect(after.split('\n')[1]).toBe('- [ ] another');
    }),
  );
});

test('a link stays one where its words stay', () => {
  const before = read('[ ] Call [[Salt on the Glass|the show]] and [Ilse](recado:k3f9qa)');
  expect(intentionsFor(before, { ...before, words: 'Call the show, then Ilse' }, ['words'])).toEqual([
    { do: 'reword', text: 'Call [[Salt on the Glass|the show]], then [Ilse](recado:k3f9qa)' },
  ]);
  expect(sameTask(before, { ...before, words: 'Call the show and Ilse' })).toBe(true);
});

describe('two faces of a task brought together', () => {
  test('what one side changed goes to the other, and both come to say the same, with each change of one side alone in it', () => {
    fc.assert(
      fc.property(task, task, task, fc.nat(9), fc.nat(9), (base, here, there, mine, theirs) => {
        const times = { here: Object.fromEntries(SHARED_FIELDS.map((field) => [field, mine])), there: theirs };
        const { toHere, toThere, both } = mergedTask({ here: base, there: base }, here, there, times);
        const [a, b] = [withFields(here, there, toHere), withFields(there, here, toThere)];
        expect(sameTask(a, b)).toBe(true);
        for (const field of SHARED_FIELDS) {
          const [isMine, isTheirs] = [!sameField(field, base, here), !sameField(field, base, there)];
          if (isMine !== isTheirs) expect(sameField(field, a, isMine ? here : there)).toBe(true);
          const told = both.find((one) => one.field === field);
          expect(told !== undefined).toBe(isMine && isTheirs && !sameField(field, here, there));
          if (told) expect(told.won).toBe(theirs > mine ? 'there' : 'here');
        }
      }),
    );
  });

  test('what is said in two ways and stayed so is left alone', () => {
    const here = { ...BASE, plan: '2026-W48' };
    const there = { ...BASE, plan: '2026-11-29' };
    expect(mergedTask({ here, there }, here, there, { here: {}, there: 5 })).toEqual({ toHere: [], toThere: [], met: [], both: [] });
    expect(mergedTask({ here, there }, here, { ...there, status: 'done' }, { here: {}, there: 5 }).toHere).toEqual(['status']);
  });

  test('without what they said last, all that differs was changed on both sides', () => {
    const { both, toHere } = mergedTask(null, BASE, { ...BASE, due: '2026-12-01', priority: 'low' }, { here: { due: 9 }, there: 5 });
    expect(both.map(({ field, won }) => [field, won])).toEqual([
      ['due', 'here'],
      ['priority', 'there'],
    ]);
    expect(toHere).toEqual(['priority']);
  });
});
