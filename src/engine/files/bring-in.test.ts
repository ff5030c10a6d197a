import { strToU8, zipSync } from 'fflate';
import type { Choices } from '../../core/formats/in/incoming';
import { READING_DEFAULTS } from '../../core/task/line/task';
import type { StoredNote } from '../../store/notes/content';
import type { ImportFile } from '../../store/notes/import/import-file';
import { BringIn } from './bring-in';
import { readGiven } from './read-given';

const CHOICES: Choices = { folder: '', textFiles: 'notes', events: 'appointments', signs: {}, tables: {} };

const stored = (path: string, text: string): StoredNote => ({
  ...{ key: path.toLowerCase(), id: path, path, text, bytes: null, changed: 0, demo: null },
});

async function incoming(files: Record<string, string>, here: StoredNote[] = [], handles: string[] = []): Promise<BringIn> {
  const given = async function* (): AsyncGenerator<ImportFile> {
    for (const [path, text] of Object.entries(files)) yield { path, bytes: strToU8(text) };
  };
  const portions = async function* () {
    yield { notes: here, all: here.length };
  };
  const bringIn = new BringIn(READING_DEFAULTS, new Set(handles));
  await bringIn.read(given(), portions(), () => undefined);
  return bringIn;
}

const arriving = (bringIn: BringIn, choices = CHOICES): Record<string, string | null> =>
  Object.fromEntries(
    [...bringIn.arrivals(choices)].map(({ path, bytes, lines, problem }) => [
      path,
      lines ? lines.join('\n') : bytes ? new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes) : (problem ?? null),
    ]),
  );

describe('what files come to', () => {
  it('is told before anything changes: notes, tasks, what is here, what has another’s path', async () => {
    const here = [stored('Loans.md', '- [ ] a\n'), stored('Rooms.md', 'other')];
    const bringIn = await incoming({ 'Loans.md': '- [ ] a\n', 'Rooms.md': '- [ ] b\n- [x] c\n', 'New/x.md': '' }, here);
    expect(bringIn.plan(CHOICES)).toMatchObject({ notes: 3, tasks: 2, same: 1, beside: 1, left: [], signs: [], tables: [] });
    // In a folder none of them is here.
    expect(bringIn.plan({ ...CHOICES, folder: 'Old' })).toMatchObject({ same: 0, beside: 0 });
    expect(Object.keys(arriving(bringIn, { ...CHOICES, folder: 'Old' }))).toEqual(['Old/Loans.md', 'Old/Rooms.md', 'Old/New/x.md']);
  });

  it('keeps the bytes of a note in which no sign is chosen otherwise', async () => {
    const text = '\ufeff- [>] a\r\n- [_] b \r\n\t- [ ] c';
    const bringIn = await incoming({ 'A.md': text });
    expect(bringIn.plan(CHOICES).signs).toEqual([
      { sign: '>', count: 1, sample: '[>] a' },
      { sign: '_', count: 1, sample: '[_] b ' },
    ]);
    expect(arriving(bringIn)).toEqual({ 'A.md': text });
    expect(arriving(bringIn, { ...CHOICES, signs: { '>': 'done' } })).toEqual({ 'A.md': text.replace('>', 'x') });
  });

  it.each([
    ['appointments', { 'Journal/2026-11-23.md': '- 14:00-15:00 Visit\n  At the gate' }],
    [
      'meetings',
      {
        'Meetings/2026-11-23 Visit.md':
          '---\nkind: meeting\ntitle: "Visit"\ndate: 2026-11-23\nstart: 14:00\nend: 15:00\n---\nAt the gate\n',
      },
    ],
    ['left', {}],
  ] as const)('events become %s', async (events, files) => {
    const event =
      'BEGIN:VEVENT\r\nUID:a\r\nDTSTART:20261123T140000\r\nDTEND:20261123T150000\r\nSUMMARY:Visit\r\nDESCRIPTION:At the gate\r\n';
    const bringIn = await incoming({ 'w.ics': `BEGIN:VCALENDAR\r\n${event}END:VEVENT\r\nEND:VCALENDAR\r\n` });
    expect(bringIn.plan({ ...CHOICES, events }).events).toBe(1);
    expect(arriving(bringIn, { ...CHOICES, events })).toEqual(files);
  });

  it('JSON brings its paths, below the folder that is chosen; what a list held is called as it was', async () => {
    const notes = [
      { path: 'F/a.md', title: 'a', text: '- [ ] a\n' },
      { path: null, title: 'Late', text: '- [ ] b\n' },
    ];
    const bringIn = await incoming({ 'all.json': JSON.stringify({ format: 'recado', version: 1, notes }) });
    expect(Object.keys(arriving(bringIn))).toEqual(['F/a.md', 'Late.md']);
    expect(Object.keys(arriving(bringIn, { ...CHOICES, folder: 'Old' }))).toEqual(['Old/F/a.md', 'Old/Late.md']);
  });

  it('a dot in the name of a file is part of its title', async () => {
    const bringIn = await incoming({ 'v1.2 rooms.txt': 'Oak\n', 'v1.3 rooms.csv': 'task\nOak\n' });
    expect(Object.keys(arriving(bringIn, { ...CHOICES, textFiles: 'outlines' }))).toEqual(['v1.2 rooms.md', 'v1.3 rooms.md']);
  });

  it('a text file is a note, or an outline', async () => {
    const bringIn = await incoming({ 'list.txt': 'Loans\n  [ ] Weigh\n' });
    expect(arriving(bringIn)).toEqual({ 'list.txt': 'Loans\n  [ ] Weigh\n' });
    expect(arriving(bringIn, { ...CHOICES, textFiles: 'outlines' })).toEqual({ 'list.md': '- Loans\n  - [ ] Weigh\n' });
  });

  it('a card of somebody who has a page stays out', async () => {
    const card = (name: string): string => `BEGIN:VCARD\r\nVERSION:4.0\r\nFN:${name}\r\nEND:VCARD\r\n`;
    const bringIn = await incoming({ 'all.vcf': card('Kofi Mensah') + card('Ilse Brandt') }, [], ['kofi']);
    expect(bringIn.plan(CHOICES)).toMatchObject({
      notes: 1,
      left: [{ path: 'all.vcf', reason: '@kofi has a page here; this card stays out.' }],
    });
    expect(Object.keys(arriving(bringIn))).toEqual(['People/ilse.md', 'all.vcf']);
  });

  it.each([
    ['a.opml', 'It is no OPML.'],
    ['a.ics', 'It holds no calendar.'],
    ['a.vcf', 'It holds no vCard.'],
    ['a.json', 'It is no JSON.'],
    ['a.csv', 'It holds no table.'],
  ])('%s that is of another kind is told, and nothing comes of it', async (path, reason) => {
    const bringIn = await incoming({ [path]: path === 'a.csv' ? '' : 'PNG?' });
    expect(bringIn.plan(CHOICES)).toMatchObject({ notes: 0, tasks: 0, left: [{ path, reason }] });
    expect(arriving(bringIn)).toEqual({ [path]: reason });
  });

  it.each([
    ['{"format":"other"}', 'It is JSON, but none that Recado wrote.'],
    ['{"format":"recado","version":2,"notes":[]}', 'A newer Recado wrote it, which says more than this one can read.'],
    ['{"format":"recado","version":1,"notes":[{"path":1}]}', 'It is JSON of Recado, but parts of it are missing.'],
  ])('JSON %s is refused in plain words', async (text, reason) => {
    expect((await incoming({ 'a.json': text })).plan(CHOICES).left).toEqual([{ path: 'a.json', reason }]);
  });

  it('what is no note goes on to the import as it is: settings, hidden files, pictures', async () => {
    const bringIn = await incoming({ 'recado-settings.json': '{}', '.git/config': 'x', 'p.png': 'x' });
    expect(arriving(bringIn)).toEqual({ 'recado-settings.json': '{}', '.git/config': 'x', 'p.png': 'x' });
    expect(bringIn.plan(CHOICES)).toMatchObject({ notes: 0, left: [] });
  });

  it('a zip is read as what it holds', async () => {
    const bytes = zipSync({ 'F/a.md': strToU8('- [ ] a\n') });
    const files: string[] = [];
    for await (const { path } of readGiven([{ path: 'x.zip', file: new File([bytes], 'x.zip') }])) files.push(path);
    expect(files).toEqual(['F/a.md']);
  });
});
