import fc from 'fast-check';
import type { Now } from '../calendar/span';
import { READING_DEFAULTS } from '../task/line/task';
import { readNote } from '../task/reading/read-note';
import { guessedMap, readTable, tasksOfTable } from './in/csv-in';
import { readIcal } from './in/ical-in';
import { readOurJson } from './in/json-in';
import { readOpml } from './in/opml-in';
import { textOfIndented } from './in/read-indented-text';
import type { OutFormat } from './out/formats';
import { notePart } from './out/parts-of';
import { type TaskFields, taskFields } from './out/task-fields';
import { written } from './out/writer';
import { writerFor } from './out/writer-for';

/** Words as people write them, with what is a sign somewhere: of XML, of a table, of a list, of Markdown, of iCalendar. */
const WORD = fc.constantFrom(
  ...[
    'crate',
    'Öl & Pinsel',
    '<b>frame</b>',
    '"left"',
    'a, b; c',
    '#packing',
    '@kofi',
    '[[Lars Holm|Lars]]',
    '2 = 2',
    '\\n',
    '100%',
    'שלום',
  ],
  ...["it's", '*new*', 'x:y', '{loose}', 'ends\\'],
);
const WORDS = fc.array(WORD, { minLength: 1, maxLength: 4 }).map((words) => `Weigh ${words.join(' ')}`);
const DAY = fc.constantFrom('2026-11-27', '2026-12-01', '2028-02-29');
const CLAUSES = fc
  .record(
    {
      due: fc.oneof(
        DAY,
        DAY.map((day) => `${day} 15:00`),
      ),
      plan: DAY,
      start: DAY,
      priority: fc.constantFrom('top', 'high', 'low'),
      takes: fc.constantFrom('30m', '1h30m'),
      every: fc.constantFrom('week', 'month on 31', '2 weeks on mon', '3 days after done'),
      owner: fc.constantFrom('@ilse', 'nobody'),
      remind: fc.constantFrom('1h before', '08:30'),
      until: DAY,
      needs: fc.constant('a1b2c3'),
      pushed: DAY,
      lapses: DAY,
      ref: fc.constant('k3f9qa'),
    },
    { requiredKeys: [] },
  )
  .map((given) => {
    const clauses = Object.entries(given).map(([name, value]) => (name === 'priority' ? value : `${name} ${value}`));
    return clauses.length === 0 ? '' : ` {${clauses.join('; ')}}`;
  });
const LINE = fc.record({ depth: fc.nat(3), sign: fc.constantFrom(' ', ' ', '/', ':', 'x', '-'), words: WORDS, tail: CLAUSES });
/** A list of tasks, each at most one level deeper than the one before; of two with the same words the second is numbered. */
const TEXT = fc.array(LINE, { minLength: 1, maxLength: 8 }).map((lines) => {
  let depth = 0;
  return lines
    .map((line, index) => {
      depth = index === 0 ? 0 : Math.min(line.depth, depth + 1);
      return `${'  '.repeat(depth)}- [${line.sign}] ${line.words} ${index}${line.tail}\n`;
    })
    .join('');
});

const NOW: Now = { day: 20780, minute: 554 };
const same = (moment: Now): Now => moment;

interface Way {
  /** The text of a note that comes of what went out. */
  back: (file: string) => string;
  /** What the format cannot hold: these fields may be another when they come in, for the reason that is told. */
  loses: Partial<Record<keyof TaskFields | 'place', string>>;
}

const INHERITED = 'names handed down stand on the line itself';
const WAYS: Partial<Record<OutFormat, Way>> = {
  markdown: { back: (file) => file, loses: {} },
  text: { back: textOfIndented, loses: {} },
  opml: { back: (file) => readOpml(file)?.text ?? '', loses: {} },
  json: {
    back: (file) => {
      const read = readOurJson(file);
      return 'notes' in read ? (read.notes[0]?.text ?? '') : read.refused;
    },
    loses: {},
  },
  csv: {
    back: (file) => {
      const table = readTable(file);
      return tasksOfTable(table, guessedMap(table.columns)).text;
    },
    loses: { tags: INHERITED, inheritedTags: INHERITED, people: INHERITED, inheritedPeople: INHERITED, text: INHERITED },
  },
  ics: {
    back: (file) => readIcal(file, same)?.text ?? '',
    loses: { tags: INHERITED, inheritedTags: INHERITED, text: INHERITED },
  },
};

/** What one compares of each task: the clauses are in the order that the format gives them. */
function compared(text: string, loses: Way['loses']): object[] {
  const { tasks } = readNote('In.md', text, READING_DEFAULTS);
  return tasks.map((task) => {
    const fields: Record<string, unknown> = { ...taskFields(task), stepOf: task.parent, depth: task.depth };
    delete fields['raw'];
    for (const name of Object.keys(loses)) delete fields[name];
    return fields;
  });
}

test.each(Object.entries(WAYS))('what goes out as %s comes in with the same tasks', (format, { back, loses }) => {
  fc.assert(
    fc.property(TEXT, (text) => {
      const part = notePart(readNote('In.md', text, READING_DEFAULTS));
      const file = written(writerFor(format as OutFormat, { title: 'In', titled: false, now: NOW, inUtc: same }), [part]);
      expect(compared(back(file), loses)).toEqual(compared(text, loses));
    }),
    { numRuns: 60 },
  );
});
