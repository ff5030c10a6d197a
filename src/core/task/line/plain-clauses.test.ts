import fc from 'fast-check';
import { type Task, readTaskLine } from './task';
import { runs } from '../../testing/test-runs';

const CLAUSE = fc.constantFrom(
  'due 2026-11-27',
  'due 2026-11-27 15:00',
  'due 2026-02-30',
  'due 2026-11-27T15:00',
  'due 2026-11-27 25:00',
  'due  2026-11-28',
  'due fri',
  'DUE 2026-11-29',
  'plan 2026-11-25 09:30',
  'plan 2026-W48',
  'plan 2026-13',
  'start 2026-12-24',
  'start 2 days before',
  'every week on fri',
  'every day x0',
  'every blue moon',
  'until 2026-11-20',
  'takes 1h30m',
  'takes long',
  'top',
  'high',
  'low ',
  'high up',
  'owner @kofi',
  'asked bea',
  'remind 1h before',
  'ref k3f9qa',
  'needs k3f9qa, p2x7ab',
  'made 2026-11-01 10:00',
  'done 2026-11-20',
  'cancelled 2026-11-21',
  'since 2026-11-19',
  'pushed 2026-11-13',
  'times 3',
  'key',
  'keys',
  'odd words',
  '',
);

it('the reader of plain tails and the patient one find the same in every tail', () => {
  fc.assert(
    fc.property(
      fc.array(CLAUSE, { maxLength: 5 }),
      fc.constantFrom('; ', ';', ' ;  '),
      fc.constantFrom(' ', '_', '?'),
      (clauses, between, sign) => {
        const inside = clauses.join(between);
        const plain = readTaskLine(`- [${sign}] words {${inside}}`, 2);
        // A tab is nothing that the plain reader knows, and nothing that the format cares for.
        const patient = readTaskLine(`- [${sign}] words {\t${inside}}`, 2);
        if (!plain || !patient) throw new Error('both lines are tasks');
        const moved = (from: number): number => (from > 12 ? from - 1 : from);
        const said = (task: Task, from: (place: number) => number) => {
          const { status, due, plan, start, takes, priority, done, every, until, owner, asked, remind } = task;
          const { ref, needs, made, cancelled, since, pushed, times, key, tags, people } = task;
          const problems = task.problems.map((one) => ({ ...one, from: from(one.from), to: from(one.to) }));
          const dates = { due, plan, start, done, made, cancelled, since, pushed, until };
          const text = task.text.replace('{\t', '{');
          return { text, status, dates, takes, priority, every, owner, asked, remind, ref, needs, times, key, tags, people, problems };
        };
        expect(said(plain, (place) => place)).toEqual(said(patient, moved));
      },
    ),
    { numRuns: runs(3000), seed: 20261123 },
  );
});
