import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readArguments } from './arguments';
import { Desks } from './desk';
import { run } from './run';

let folder: string;
const at = (name: string): string => path.join(folder, name);
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'recado-formats-'));
  writeFileSync(at('Loans.md'), '- [ ] Weigh the crate {due 2026-11-27}\n  - [x] Find the scales {done 2026-11-20}\n- [ ] Someday\n');
  writeFileSync(at('2026-11-23.md'), '- 11:00-11:45 Registrar round\n');
  writeFileSync(at('outline.opml'), '<opml version="2.0"><head><title>Boxes</title></head><body><outline text="Oak"/></body></opml>');
  writeFileSync(at('table.csv'), 'Title,By\nWeigh,2026-11-27\nPack,soonish\n');
});
afterAll(() => rmSync(folder, { recursive: true }));

const recado = (...list: string[]): unknown => run(readArguments(list), new Desks());
const TODAY = ['--today', '2026-11-23'];

test('export: every task, closed ones too; with a query what it finds; one note by its name', () => {
  expect(recado('export', folder, '--as', 'text', '--at', 'Loans', ...TODAY)).toBe(
    '[ ] Weigh the crate {due 2026-11-27}\n  [x] Find the scales {done 2026-11-20}\n[ ] Someday\n',
  );
  expect(recado('export', folder, '--as', 'text', '--query', 'open and with due', ...TODAY)).toBe('[ ] Weigh the crate {due 2026-11-27}\n');
  expect(String(recado('export', folder, '--as', 'ics', ...TODAY)).match(/BEGIN:V(?:TODO|EVENT)/g)).toHaveLength(4);
  expect(recado('export', folder, '--as', 'csv', '--query', 'open', ...TODAY)).toMatch(
    /^note,line,.*\r\nLoans\.md,1,.*\r\nLoans\.md,3,.*\r\n$/,
  );
  expect(() => recado('export', folder, '--as', 'pdf', ...TODAY)).toThrow('--as is text, html, opml, ics, csv, json or vcard.');
  expect(() => recado('export', folder, '--at', 'None', ...TODAY)).toThrow('There is no note None.');
});

test('import: the notes that a file comes to, and what could not be read', () => {
  expect(recado('import', at('outline.opml'), '--as', 'opml')).toEqual({ files: [{ note: 'Boxes.md', text: '- Oak\n' }], report: [] });
  expect(recado('import', at('table.csv'), '--as', 'csv', '--map', '{"task":"Title","due":"By"}')).toEqual({
    files: [{ note: 'table.md', text: '- [ ] Weigh {due 2026-11-27}\n- [ ] Pack\n  due: soonish\n' }],
    report: ['Row 2: “soonish” cannot be read for due and stands under its task.'],
  });
  const calendar = 'BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:a\nDTSTART:20261123T110000\nSUMMARY:Round\nEND:VEVENT\nEND:VCALENDAR\n';
  writeFileSync(at('week.ics'), calendar);
  expect(recado('import', at('week.ics'), '--as', 'ics')).toEqual({
    files: [{ note: 'Journal/2026-11-23.md', text: '- 11:00 Round\n' }],
    report: [],
  });
  expect(() => recado('import', at('table.csv'), '--as', 'ics')).toThrow('holds no calendar.');
  expect(() => recado('import', at('table.csv'), '--as', 'opml')).toThrow('is no OPML.');
  expect(() => recado('import', at('table.csv'), '--as', 'csv', '--map', '[1]')).toThrow('--map is a JSON object');
  expect(() => recado('import', at('none.csv'), '--as', 'csv')).toThrow('There is no file');
});
