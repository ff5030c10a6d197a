import { unzipSync } from 'fflate';
import { READING_DEFAULTS } from '../../core/task/line/task';
import type { OutFormat } from '../../core/formats/out/formats';
import type { StoredNote } from '../../store/notes/content';
import { type Taken, type TakeOutAsked, copied, takeOut } from './take-out';

const stored = (path: string, text: string | null): StoredNote => ({
  ...{ key: path.toLowerCase(), id: path, path, text, bytes: text === null ? new Uint8Array([0xff]) : null, changed: 0, demo: null },
});
const NOTES = [
  stored('Agenda/Today.md', '---\nkind: agenda\n---\n'),
  stored('Bytes.md', null),
  stored('Loans/Open.md', '# Loans\n\n- [ ] Weigh the crate {due 2026-11-27}\n  - [x] Find the scales\n- [ ] Pack\n'),
  stored('Journal/2026-11-23.md', '- 14:00-15:00 Visit\n- [ ] Answer\n'),
];
const portions = async function* () {
  for (let at = 0; at < NOTES.length; at += 2) yield { notes: NOTES.slice(at, at + 2), all: NOTES.length };
};
const asked = (taken: Taken, format: OutFormat): TakeOutAsked => ({
  ...{ taken, format, title: 'Out', reading: READING_DEFAULTS, slipHeading: 'Log', now: { day: 20780, minute: 0 }, others: {} },
});
const row = (line: number, path = 'Loans/Open.md') => ({ what: 'task' as const, path, noteTitle: 'Open', line, steps: [] });

describe('what is taken out', () => {
  it('is everything, with a word on what is no text, and how far it is', async () => {
    const told: number[] = [];
    const { file, notes, tasks, report, ending } = await takeOut(portions(), asked({ is: 'all' }, 'json'), (looked) => told.push(looked));
    const json = JSON.parse(await file.text()) as { notes: { path: string; tasks: { text: string; stepOf: number | null }[] }[] };
    expect(json.notes.map(({ path }) => path)).toEqual(['Agenda/Today.md', 'Loans/Open.md', 'Journal/2026-11-23.md']);
    expect(json.notes[1]?.tasks.map(({ text, stepOf }) => [text, stepOf])).toEqual([
      ['Weigh the crate', null],
      ['Find the scales', 0],
      ['Pack', null],
    ]);
    expect({ notes, tasks, report, ending, told }).toEqual({
      ...{ notes: 3, tasks: 4, ending: '.json', told: [2, 4] },
      report: ['1 file is no UTF-8 text and stayed behind: Bytes.md'],
    });
  });

  it.each([
    [{ is: 'folder', folder: 'loans' }, ['Loans/Open.md']],
    [{ is: 'set-up' }, ['Agenda/Today.md']],
    [{ is: 'all' }, ['Agenda/Today.md', 'Bytes.md', 'Loans/Open.md', 'Journal/2026-11-23.md']],
  ] as const)('of %j as Markdown is a zip of %j', async (taken, paths) => {
    const { file, ending } = await takeOut(portions(), asked(taken, 'markdown'), () => undefined);
    expect(ending).toBe('.zip');
    expect(Object.keys(unzipSync(new Uint8Array(await file.arrayBuffer())))).toEqual(paths);
  });

  it('as plain Markdown says in words what only Recado reads', async () => {
    const { file } = await takeOut(portions(), asked({ is: 'folder', folder: 'Loans' }, 'plain'), () => undefined);
    const files = unzipSync(new Uint8Array(await file.arrayBuffer()));
    expect(new TextDecoder().decode(files['Loans/Open.md'])).toContain('- [ ] Weigh the crate (due Friday 27 Nov 2026)\n');
  });

  it('of a list are its rows in their order, under its groups, each with its steps', async () => {
    const lists = [{ title: 'Mine', groups: [{ label: 'Loans', rows: [row(4), { ...row(2), steps: [row(3)] }] }] }];
    const { file, tasks } = await takeOut(portions(), asked({ is: 'lists', title: 'Mine', lists }, 'markdown'), () => undefined);
    expect(await file.text()).toBe('## Loans\n\n- [ ] Pack\n- [ ] Weigh the crate {due 2026-11-27}\n  - [x] Find the scales\n');
    expect(tasks).toBe(3);
  });

  it('a row whose line is gone is left out, and a list of nothing is nothing', async () => {
    const lists = [
      { title: null, groups: [{ label: null, rows: [row(99), row(0, 'None.md')] }] },
      { title: 'Two', groups: [] },
    ];
    const { file, tasks } = await takeOut(portions(), asked({ is: 'lists', title: 'Mine', lists }, 'text'), () => undefined);
    expect([await file.text(), tasks]).toEqual(['', 0]);
  });

  it('a calendar holds a task of two lists once, and the events that are given', async () => {
    const lists = [1, 2].map((one) => ({ title: `List ${one}`, groups: [{ label: null, rows: [row(2)] }] }));
    const event = { id: 'a@recado', words: 'Visit', day: 20780, start: 840, end: 900, people: [], note: 'Journal/2026-11-23.md' };
    const { file } = await takeOut(portions(), asked({ is: 'lists', title: 'Mine', lists, events: [event] }, 'ics'), () => undefined);
    expect((await file.text()).match(/BEGIN:V(?:TODO|EVENT)/g)).toEqual(['BEGIN:VTODO', 'BEGIN:VEVENT']);
  });

  it('is also what no note holds, as a digest', async () => {
    const taken: Taken = { is: 'text', title: 'Lenders, Digest', text: '## To do\n\n- [ ] Weigh {due 2026-11-27}\n' };
    const { file, tasks } = await takeOut(portions(), asked(taken, 'plain'), () => undefined);
    expect([await file.text(), tasks]).toEqual(['## To do\n\n- [ ] Weigh (due Friday 27 Nov 2026)\n', 1]);
  });

  it('for the clipboard is text, and HTML where people read it', async () => {
    const lists = [{ title: 'Mine', groups: [{ label: null, rows: [row(4)] }] }];
    const given = asked({ is: 'lists', title: 'Mine', lists }, 'html');
    expect(await copied(portions(), given)).toEqual({
      text: '- [ ] Pack\n',
      html: '<ul class="contains-task-list">\n<li class="task-list-item"><input type="checkbox" disabled> Pack</li>\n</ul>',
      tasks: 1,
    });
    expect((await copied(portions(), { ...given, format: 'csv' })).html).toBeNull();
  });
});
