import fc from 'fast-check';
import { Library } from '../index/library';

/** A meeting as a test makes it, so that it knows by itself what each line has to inherit. */
interface Made {
  people: readonly string[];
  about: readonly string[];
  /** Lines of it, with how deep they are nested. */
  lines: readonly { sort: 'task' | 'point' | 'question' | 'plain'; deep: boolean; person: string | null; link: string | null }[];
}

const PEOPLE = ['kofi', 'teo', 'bea'] as const;
const PROJECTS = ['Salt on the Glass', 'Storage move'] as const;
const TAILS = { task: '', point: ' {key}', question: ' {question}', plain: '' };

const made: fc.Arbitrary<Made> = fc.record({
  people: fc.subarray([...PEOPLE]),
  about: fc.subarray([...PROJECTS]),
  lines: fc.array(
    fc.record({
      sort: fc.constantFrom('task' as const, 'point' as const, 'question' as const, 'plain' as const),
      deep: fc.boolean(),
      person: fc.option(fc.constantFrom(...PEOPLE)),
      link: fc.option(fc.constantFrom(...PROJECTS)),
    }),
    { maxLength: 8 },
  ),
});

const wordsOf = (note: number, line: number): string => `words ${note} ${line}`;

const textOf = ({ people, about, lines }: Made, note: number): string =>
  [
    '---',
    'kind: meeting',
    ...(people.length > 0 ? [`people: [${people.join(', ')}]`] : []),
    ...(about.length > 0 ? [`about: [${about.map((title) => `"[[${title}]]"`).join(', ')}]`] : []),
    '---',
    ...lines.map(({ sort, deep, person, link }, line) => {
      const box = sort === 'task' || sort === 'question' ? '[ ] ' : '';
      const indent = deep && line > 0 ? '  ' : '';
      return `${indent}- ${box}${wordsOf(note, line)}${person ? ` @${person}` : ''}${link ? ` [[${link}]]` : ''}${TAILS[sort]}`;
    }),
    '',
  ].join('\n');

/** What is written on a line and on the line above that it is nested in. */
function around({ lines }: Made, at: number): Made['lines'] {
  const own = lines[at];
  if (!own) return [];
  if (!own.deep || at === 0) return [own];
  // The nearest line before it that is not nested; the first line never is.
  const above = lines.findLastIndex((one, index) => index < at && (!one.deep || index === 0));
  return [own, ...lines.slice(above, above + 1)];
}

test('a task, a key point and a question of a meeting inherit what it is about, and who is there is asked by met', () => {
  fc.assert(
    fc.property(fc.array(made, { minLength: 1, maxLength: 4 }), (meetings) => {
      const library = new Library({ today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
      library.apply(meetings.map((meeting, note) => ({ path: `Meetings/${note}.md`, text: textOf(meeting, note) })));
      const found = (text: string): string[] =>
        library
          .ask(text)
          .answer.groups.flatMap(({ rows }) => rows.map(({ row }) => row.task.text.replace(/ [@[].*$/, '')))
          .sort();
      const expected = (sorts: readonly string[], holds: (meeting: Made, line: number) => boolean): string[] =>
        meetings
          .flatMap((meeting, note) =>
            meeting.lines.flatMap(({ sort }, line) => (sorts.includes(sort) && holds(meeting, line) ? [wordsOf(note, line)] : [])),
          )
          .sort();
      for (const [from, sorts, more] of [
        ['from tasks', ['task', 'question'], ''],
        ['from tasks', ['question'], ' and is question'],
        ['from key points', ['point'], ''],
      ] as const) {
        for (const title of PROJECTS)
          expect(found(`${from}\nwhere [[${title}]]${more}\nsteps apart`)).toEqual(
            expected(sorts, (meeting, line) => meeting.about.includes(title) || around(meeting, line).some(({ link }) => link === title)),
          );
        for (const person of PEOPLE) {
          expect(found(`${from}\nwhere met @${person}${more}\nsteps apart`)).toEqual(
            expected(sorts, (meeting) => meeting.people.includes(person)),
          );
          expect(found(`${from}\nwhere @${person}${more}\nsteps apart`)).toEqual(
            expected(sorts, (meeting, line) => around(meeting, line).some((one) => one.person === person)),
          );
        }
      }
    }),
    { numRuns: 60 },
  );
});
