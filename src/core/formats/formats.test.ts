import { XMLParser } from 'fast-xml-parser';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import type { Now } from '../calendar/span';
import { READING_DEFAULTS } from '../task/line/task';
import { readNote } from '../task/reading/read-note';
import { orderOfDays, readDate } from './in/csv-cells';
import { guessedMap, readTable, tasksOfTable } from './in/csv-in';
import { CSV_COLUMNS, csvWriter } from './out/csv-out';
import { htmlOf, htmlWriter } from './out/html-out';
import { appointmentLine, readIcal } from './in/ical-in';
import { icalWriter } from './out/ical-out';
import { indentedWriter } from './out/indented-text';
import { readOpml } from './in/opml-in';
import { opmlWriter } from './out/opml-out';
import { notePart } from './out/parts-of';
import { written } from './out/writer';
import { outlineOf } from './outline-of';
import { plainMarkdown } from './out/plain-markdown';
import { textOfIndented } from './in/read-indented-text';
import { readVcards, vcardWriter } from './vcard';

const PATH = 'Loans/Open.md';
const TEXT = `---
kind: project
tags: [loans]
---
# Loans

Words before <b>the list</b>.

- [ ] Weigh the crate #packing @kofi {due 2026-11-27; plan 2026-11-25; high}
  Behind the door, "left".
  - [x] Find the scales {done 2026-11-20 09:14}
  - [-] Ask & wait {cancelled 2026-11-21}
- [_] Write to [[Lars Holm|Lars]] {due 2026-11-30 15:00; remind 1h before; ref k3f9qa}
- [:] Answer of the lender {every month on 31; due 2026-11-30}
- Only an item

## Rooms

1. [ ] Room 2 {top; takes 1h30m; owner @ilse}
`;
const note = readNote(PATH, TEXT, READING_DEFAULTS);
const outline = outlineOf(note);
const part = notePart(note);
const said = (text: string) =>
  readNote('In.md', text, READING_DEFAULTS).tasks.map(
    ({ text: words, status, due, plan, priority, takes, owner, every, remind, ref, done, parent }) => ({
      ...{ words, status, due, plan, priority, takes, owner, every, remind, ref, done, parent },
    }),
  );

describe('a note as an outline', () => {
  it('holds headings, items with what is indented under them, and plain words', () => {
    const [loans] = outline.branches;
    expect(loans).toMatchObject({ is: 'heading', words: 'Loans', level: 1 });
    expect(loans?.branches.map(({ is, words }) => [is, words])).toEqual([
      ['words', 'Words before <b>the list</b>.'],
      ['item', 'Weigh the crate #packing @kofi'],
      ['item', 'Write to [[Lars Holm|Lars]]'],
      ['item', 'Answer of the lender'],
      ['item', 'Only an item'],
      ['heading', 'Rooms'],
    ]);
    expect(loans?.branches[1]).toMatchObject({ description: ['Behind the door, "left".'] });
    expect(loans?.branches[1]?.branches.map(({ words }) => words)).toEqual(['Find the scales', 'Ask & wait']);
  });

  it('of some lines holds what begins there', () => {
    expect(outlineOf(note, { from: 8, to: 12 }).branches.map(({ words }) => words)).toEqual(['Weigh the crate #packing @kofi']);
  });
});

describe('what goes out comes in with the same tasks', () => {
  const first = said(TEXT);

  it('as indented text; its plain lines become items', () => {
    expect(said(textOfIndented(written(indentedWriter(false), [part])))).toEqual(first);
  });

  it('as OPML, with its headings and plain lines', () => {
    const read = readOpml(written(opmlWriter('Loans', false), [part]));
    expect(read?.title).toBe('Loans');
    expect(said(read?.text ?? '')).toEqual(first);
    expect(read?.text).toContain('# Loans\n');
    expect(read?.text).toContain('  Behind the door, "left".\n');
  });

  it('as iCalendar; names around a task stand on its line, plain lines and headings stay out', () => {
    const same = (moment: Now): Now => moment;
    const read = readIcal(written(icalWriter({ title: 'Loans', now: { day: 20780, minute: 554 }, inUtc: same }), [part]), same);
    const bare = (tasks: typeof first) => tasks.map((task) => ({ ...task, words: task.words.replace(/ #loans$/, '') }));
    expect(bare(said(read?.text ?? ''))).toEqual(first);
    expect(read).toMatchObject({ title: 'Loans', tasks: 6, report: [] });
    expect(read?.text).toContain('  Behind the door, "left".\n');
  });

  it('as CSV; steps stand under the last task of those words, names around a task stand on its line', () => {
    const text = written(csvWriter(), [part]);
    const table = readTable(text);
    const { text: back, kept } = tasksOfTable(table, guessedMap(table.columns));
    expect(kept).toEqual([]);
    const bare = (tasks: typeof first) => tasks.map((task) => ({ ...task, words: task.words.replace(/ #loans$/, '') }));
    expect(bare(said(back))).toEqual(first);
  });
});

describe('other readers', () => {
  it('of XML find the outline, its attributes and no tag of a text (OPML 2.0)', () => {
    const xml = written(opmlWriter('A & <b>', false), [part]);
    const { opml } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(xml) as { opml: Record<string, never> };
    expect(opml).toMatchObject({ version: '2.0', head: { title: 'A & <b>' } });
    const crate = JSON.stringify(opml);
    expect(crate).toContain(
      '"text":"Weigh the crate #packing @kofi","_status":"todo","_due":"2026-11-27","_plan":"2026-11-25","_high":"yes"',
    );
    expect(crate).toContain('"text":"Ask & wait"');
  });

  it('of CSV find every column and lines that end with CR and LF (RFC 4180)', () => {
    const text = written(csvWriter(), [part]);
    expect(text.split('\r\n')).toHaveLength(note.tasks.length + 2);
    const { data, errors } = Papa.parse<Record<string, string>>(text.trim(), { header: true });
    expect(errors).toEqual([]);
    expect(Object.keys(data[0] ?? {})).toEqual(CSV_COLUMNS);
    expect(data[0]).toMatchObject({ task: 'Weigh the crate #packing @kofi', due: '2026-11-27', priority: 'high', note: PATH });
  });

  it('of iCalendar find the to-dos with what RFC 5545 says of them', () => {
    const inUtc = (moment: Now): Now => moment;
    const events = [
      { id: 'a@recado', words: 'Rounds', day: 20780, start: 1410, end: 1455, people: ['kofi'], note: PATH },
      { id: 'b@recado', words: 'Fair', day: 20780, start: null, end: null, people: [], note: PATH },
    ];
    const text = written(icalWriter({ title: 'Loans', now: { day: 20780, minute: 554 }, inUtc }), [{ ...part, events }]);
    expect(Math.max(...text.split('\r\n').map((line) => Buffer.byteLength(line)))).toBeLessThanOrEqual(75);
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const todos = calendar.getAllSubcomponents('vtodo');
    const value = (index: number, name: string): string | null => todos[index]?.getFirstPropertyValue(name)?.toString() ?? null;
    expect(todos).toHaveLength(6);
    expect(['summary', 'due', 'dtstart', 'priority', 'status', 'percent-complete', 'description'].map((name) => value(0, name))).toEqual([
      ...['Weigh the crate #packing @kofi', '2026-11-27', '2026-11-25', '3', 'NEEDS-ACTION', '100', 'Behind the door, "left".'],
    ]);
    expect(todos[0]?.getFirstProperty('categories')?.getValues()).toEqual(['packing', 'loans']);
    expect([value(1, 'status'), value(1, 'completed'), value(1, 'related-to') === value(0, 'uid')]).toEqual([
      'COMPLETED',
      '2026-11-20T09:14:00Z',
      true,
    ]);
    expect(value(2, 'status')).toBe('CANCELLED');
    expect([value(3, 'status'), value(3, 'due'), value(3, 'uid'), value(3, 'x-recado-ref')]).toEqual([
      ...['IN-PROCESS', '2026-11-30T15:00:00', 'k3f9qa@recado', 'k3f9qa'],
    ]);
    expect(todos[3]?.getFirstSubcomponent('valarm')?.getFirstPropertyValue('trigger')?.toString()).toBe('2026-11-30T14:00:00Z');
    expect([value(4, 'x-recado-status'), value(4, 'x-recado-every'), value(4, 'rrule')]).toEqual([
      ...['WAITING', 'month on 31', 'FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1'],
    ]);
    expect([value(5, 'priority'), value(5, 'x-recado-takes'), value(5, 'dtstart')]).toEqual(['1', '1h30m', null]);
    const [rounds, fair] = calendar.getAllSubcomponents('vevent');
    expect(rounds?.getFirstPropertyValue('dtend')?.toString()).toBe('2026-11-24T00:15:00');
    expect(fair?.getFirstPropertyValue('dtstart')?.toString()).toBe('2026-11-23');
  });
});

describe('for people without Recado', () => {
  it('Markdown says tails in words', () => {
    const plain = plainMarkdown(note);
    expect(plain).toContain('- [ ] Weigh the crate #packing @kofi (due Friday 27 Nov 2026, planned Wednesday 25 Nov 2026, high)\n');
    expect(plain).toContain('  - [x] ~~Ask & wait~~ (cancelled, cancelled Saturday 21 Nov 2026)\n');
    expect(plain).toContain('- [ ] Write to Lars (under way, due Monday 30 Nov 2026, 15:00, reminder 1h before)\n');
    expect(plain).not.toMatch(/[{}]|kind:/);
  });

  it('HTML holds no sign of a text as a tag, no script, nothing that is fetched', () => {
    const hard =
      '<script>alert(1)</script>\n\n[a](javascript:alert(1)) ![p](https://example.org/p.png) <img src=x onerror=alert(1)>\n\n- [ ] a < b & "c"';
    const html = htmlOf(hard);
    expect(html).not.toMatch(/<script|<img|javascript:/i);
    expect(html).toContain('&#x3C;script>alert(1)&#x3C;/script>');
    expect(html).toContain('a &#x3C; b &#x26; "c"');
    expect(written(htmlWriter('A <b>'), [part])).toContain('<title>A &#60;b&#62;</title>');
  });
});

describe('bad input', () => {
  it('entities that a file declares are not unfolded (XML 1.0, 4.4)', () => {
    const bomb = `<!DOCTYPE opml [<!ENTITY a "lol"><!ENTITY b "&a;&a;&a;&a;">]><opml version="2.0"><body><outline text="&b; &amp; &#65;"/></body></opml>`;
    expect(readOpml(bomb)?.text).toBe('- &b; & A\n');
    expect(readOpml('<html></html>')).toBeNull();
    expect(readOpml('no XML <opml')).toBeNull();
  });

  it('cells that a spreadsheet would compute are harmless on the way out, and themselves again on the way in', () => {
    const hard = notePart(readNote('A.md', '- [ ] =SUM(A1)\n- [ ] @kofi asks\n- [ ] fine\n', READING_DEFAULTS));
    const writer = csvWriter(['task']);
    const text = written(writer, [hard]);
    expect(text).toBe("task\r\n'=SUM(A1)\r\n'@kofi asks\r\nfine\r\n");
    expect(writer.report()).toEqual(['A spreadsheet would have computed 2 cells: an apostrophe stands before each.']);
    expect(said(tasksOfTable(readTable(text), { task: 'task' }).text).map(({ words }) => words)).toEqual([
      '=SUM(A1)',
      '@kofi asks',
      'fine',
    ]);
  });

  it('quotes gone wrong are told, and what cannot be read for its field stands under its task', () => {
    expect(readTable('task\n"a').problems).not.toEqual([]);
    const table = readTable('Title;Deadline;State\nWeigh;soonish;doing\nPack;27/11/2026;done\n');
    const { text, kept, tasks } = tasksOfTable(table, { ...guessedMap(table.columns) });
    expect(text).toBe('- [_] Weigh\n  due: soonish\n- [x] Pack {due 2026-11-27}\n');
    expect(kept).toEqual([{ row: 1, field: 'due', cell: 'soonish' }]);
    expect(tasks).toBe(2);
  });

  it('what would begin something else in a list begins nothing', () => {
    const said = ['1. Oak', '- Pine', '# Ash', '> Elm', '[ ] Fir'].map((words) => `<outline text="${words}"/>`).join('');
    const text = readOpml(`<opml version="2.0"><body>${said}</body></opml>`)?.text ?? '';
    expect(text).toBe('- 1\\. Oak\n- \\- Pine\n- \\# Ash\n- \\> Elm\n- [ ] Fir\n');
    expect(outlineOf(readNote('A.md', text, READING_DEFAULTS)).branches).toHaveLength(5);
  });

  it.each([
    ['2026-11-27', 'day first', '2026-11-27'],
    ['2026-11-27T15:00:00Z', 'day first', '2026-11-27 15:00'],
    ['3/4/2026', 'day first', '2026-04-03'],
    ['3/4/2026', 'month first', '2026-03-04'],
    ['27.11.2026 9:05', 'day first', '2026-11-27 09:05'],
    ['31/2/2026', 'day first', null],
    ['2026-02-30', 'day first', null],
    ['soon', 'day first', null],
  ] as const)('the day %s, %s, is %s', (cell, order, day) => expect(readDate(cell, order)).toBe(day));

  it('a table that can be read one way only is', () => {
    expect(orderOfDays([['1/2/2026'], ['1/13/2026']])).toBe('month first');
    expect(orderOfDays([['1/2/2026']])).toBe('day first');
  });
});

describe('calendars of others', () => {
  const calendar = (...lines: string[]): string => ['BEGIN:VCALENDAR', 'VERSION:2.0', ...lines, 'END:VCALENDAR', ''].join('\r\n');
  const shifted = ({ day, minute }: Now): Now => ({ day, minute: minute + 60 });

  it('the to-do of RFC 5545, 3.6.2, comes in with its dates in the zone of the person', () => {
    const read = readIcal(
      calendar(
        ...['BEGIN:VTODO', 'UID:20070514T103211Z-123404@example.com', 'DTSTAMP:20070514T103211Z', 'DTSTART:20070514T110000Z'],
        ...['DUE:20070709T130000Z', 'COMPLETED:20070707T100000Z', 'SUMMARY:Submit Revised Internet-Draft', 'PRIORITY:1'],
        ...['STATUS:NEEDS-ACTION', 'END:VTODO'],
      ),
      shifted,
    );
    expect(read?.text).toBe('- [ ] Submit Revised Internet-Draft {due 2007-07-09 14:00; plan 2007-05-14 12:00; top}\n');
    expect(read?.report).toEqual(['Times of other zones are stored as times of this one.']);
  });

  it('what no phrase says stands under its task, circles and doubled identities lose nothing', () => {
    const todo = (uid: string, words: string, ...more: string[]): string[] => [
      'BEGIN:VTODO',
      `UID:${uid}`,
      `SUMMARY:${words}`,
      ...more,
      'END:VTODO',
    ];
    const read = readIcal(
      calendar(
        ...todo('a', 'One', 'RELATED-TO:b', 'CATEGORIES:salt works,loans'),
        ...todo('b', 'Two', 'RELATED-TO:a', 'STATUS:IN-PROCESS', 'PRIORITY:9'),
        ...todo('b', 'Three', 'DUE;VALUE=DATE:20261127', 'RRULE:FREQ=DAILY;BYHOUR=9', 'X-RECADO-STATUS:WAITING'),
        ...todo('d', 'Four', 'DUE;VALUE=DATE:20261127', 'RRULE:FREQ=WEEKLY;BYDAY=FR', 'BEGIN:VALARM', 'TRIGGER:-PT30M', 'END:VALARM'),
      ),
      shifted,
    );
    expect(read?.text.split('\n').sort()).toEqual([
      '',
      '  - [ ] One #salt-works #loans',
      '  repeats: FREQ=DAILY;BYHOUR=9',
      '- [ ] Four {due 2026-11-27; every week on fri; remind 30m before}',
      '- [:] Three {due 2026-11-27}',
      '- [_] Two {low}',
    ]);
    expect(read?.report).toEqual([
      'How “Three” comes again cannot be said here; its rule stands under it.',
      'Two to-dos have one identity, “b”; both came in.',
    ]);
  });

  it('events are appointments', () => {
    const read = readIcal(
      calendar(
        ...['BEGIN:VEVENT', 'UID:e', 'DTSTART:20261123T233000', 'DTEND:20261124T001500', 'SUMMARY:Night watch', 'END:VEVENT'],
        ...['BEGIN:VEVENT', 'UID:f', 'DTSTART;VALUE=DATE:20261124', 'SUMMARY:Fair', 'END:VEVENT'],
        ...['BEGIN:VEVENT', 'UID:g', 'SUMMARY:Never', 'END:VEVENT'],
      ),
      shifted,
    );
    expect(read?.events.map((event) => [event.day, appointmentLine(event)])).toEqual([
      [20780, '- 23:30-00:15 Night watch'],
      [20781, '- Fair'],
    ]);
    expect(read?.report).toEqual(['“Never” says no beginning, and was left out.']);
    expect(readIcal('BEGIN:VCALENDAR\nBEGIN:VTODO\nEND', shifted)).toBeNull();
    expect(readIcal('hello', shifted)).toBeNull();
  });
});

describe('published examples', () => {
  it('a table by RFC 4180, 2, rules 2, 5, 6 and 7: no break at the end, quotes, breaks and commas in cells, quotes doubled', () => {
    // The rule of each is the RFC's, the words are of the museum.
    const { columns, rows, problems } = readTable('aaa,bbb,ccc\r\n"a","b \r\nbb","c"\r\n"a,a","b""bb",ccc');
    expect({ columns, rows, problems }).toEqual({
      columns: ['aaa', 'bbb', 'ccc'],
      rows: [
        ['a', 'b \r\nbb', 'c'],
        ['a,a', 'b"bb', 'ccc'],
      ],
      problems: [],
    });
  });

  it('an outline in outlines as OPML 2.0 shows it in states.opml (its shape, from memory)', () => {
    const states =
      '<outline text="Far West"><outline text="Alaska"/><outline text="Nevada"><outline text="Reno" created="Tue, 12 Jul 2005"/></outline></outline>';
    const xml = `<?xml version="1.0" encoding="ISO-8859-1"?><opml version="2.0"><head><title>states.opml</title></head><body>${states}</body></opml>`;
    expect(readOpml(xml)).toEqual({ title: 'states.opml', text: '- Far West\n  - Alaska\n  - Nevada\n    - Reno\n' });
  });

  it('names, kinds and folded lines as RFC 6350 writes them: 3.2, 6.2.1, 6.2.3, 6.4.1, 6.4.2, 6.7.2', () => {
    const card = [
      'BEGIN:VCARD',
      'VERSION:4.0',
      'FN:Ms. Ilse Brandt\\, Keeper',
      'NICKNAME:Ilse,Salt',
      'TEL;VALUE=uri;TYPE="voice,home":tel:+45-12',
    ];
    const rest = [
      'EMAIL;TYPE=work:ilse@museum.example',
      'NOTE:This fax number is operational 0800 to 1715 ',
      ' EST\\, Mon-Fri.',
      'END:VCARD',
      '',
    ];
    const [person] = readVcards([...card, ...rest].join('\r\n'))?.people ?? [];
    expect(person).toMatchObject({ title: 'Ms. Ilse Brandt, Keeper', handle: 'Ilse' });
    expect(person?.text).toContain('aliases: [Salt]');
    expect(person?.text).toContain('phone: "+45-12"');
    expect(person?.text).toMatch(/This fax number is operational 0800 to 1715 EST, Mon-Fri\.\n$/);
  });
});

describe('people as vCards (RFC 6350)', () => {
  const page = readNote(
    'People/ilse.md',
    '---\nkind: person\ntitle: Ilse Brandt\nhandle: ilse\nemail: ilse@museum.example\ntags: [lenders]\n---\nKeeps the salt.\n\n- [ ] x\n',
  );

  it('go out with name, handle and what is known, and come in as the same page', () => {
    const text = written(
      vcardWriter(),
      [page, note].map((one) => notePart(one)),
    );
    expect(text).toMatch(/^BEGIN:VCARD\r\nVERSION:4\.0\r\n/);
    expect(text.match(/BEGIN:VCARD/g)).toHaveLength(1);
    const back = readVcards(text)?.people[0];
    expect(back).toMatchObject({ title: 'Ilse Brandt', handle: 'ilse' });
    expect(readNote('People/ilse.md', back?.text ?? '').front).toMatchObject({
      kind: 'person',
      title: 'Ilse Brandt',
      handle: 'ilse',
      tags: ['lenders'],
    });
    expect(back?.text).toContain('Keeps the salt.');
  });

  it('of others come in, each with a handle of its own; what names nobody is told', () => {
    const text =
      'BEGIN:VCARD\nVERSION:3.0\nFN:Lars Holm\nTEL:+45 12\nEND:VCARD\nBEGIN:VCARD\nVERSION:3.0\nFN:Lars Berg\nEND:VCARD\nBEGIN:VCARD\nVERSION:3.0\nEND:VCARD\n';
    const read = readVcards(text);
    expect(read?.people.map(({ handle }) => handle)).toEqual(['lars', 'lars-2']);
    expect(read?.people[0]?.text).toContain('phone: "+45 12"');
    expect(read?.left).toEqual(['Card 3 names nobody.']);
    expect(readVcards('nothing')).toBeNull();
  });
});
