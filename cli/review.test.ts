import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { loadYaml } from '../src/core/note/facts/front-matter';
import { readArguments } from './arguments';
import { Desks } from './desk';
import { run } from './run';

let folder: string;
const NOTES: Record<string, string> = {
  'Projects/Catalogue.md':
    '---\nkind: project\ndue: 2027-01-15\n---\n- [ ] Essay {high}\n- [ ] Index\n- [x] Paper {done 2026-11-14}\n- [x] Mill {done 2026-11-12}\n- [-] Foil\n',
  'Projects/Storage.md': '---\nkind: project\nstate: later\n---\n- [:] Racks from @teo\n',
  'Shelf.md':
    '## Fog\n- [x] Read the log #books {done 2026-10-01}\n  - [x] first half\n- [x] With steps\n  - [ ] open\n- [ ] Not yet #books\n',
  'Reviews/A.md':
    '---\nkind: review\ndate: 2026-11-20\nstart: 2026-11-20 23:40\nend: 2026-11-21 00:30\npauses: [5m, 7m]\n---\n- [x] a\n- [x] b\n- [-] c\n',
  'Reviews/B.md': '---\nkind: review\ndate: 2026-11-13\nstart: 15:00\n---\n- [ ] a\n',
  'Rounds.md':
    '- [ ] Read the barograph {due 2026-11-23; every weekday; made 2026-11-16}\n- [x] Read the barograph {due 2026-11-18; done 2026-11-18}\n- [x] Read the barograph {due 2026-11-19; done 2026-11-20}\n- [-] Read the barograph {due 2026-11-20; cancelled 2026-11-20}\n',
};
beforeAll(async () => {
  await loadYaml();
  folder = mkdtempSync(path.join(tmpdir(), 'recado-review-'));
  for (const [note, text] of Object.entries(NOTES)) {
    mkdirSync(path.dirname(path.join(folder, note)), { recursive: true });
    writeFileSync(path.join(folder, note), text);
  }
  writeFileSync(path.join(folder, 'settings.json'), JSON.stringify({ shelves: [{ tag: 'books', note: 'Shelves/Books' }] }));
});
afterAll(() => rmSync(folder, { recursive: true }));

const recado = (...list: string[]): unknown => run(readArguments(list), new Desks());
const TODAY = ['--today', '2026-11-23'];

test('projects: how each stands, and its next step', () => {
  expect(recado('projects', folder, ...TODAY)).toEqual([
    { note: 'Projects/Catalogue.md', state: 'active', open: 2, done: 2, progress: 50, next: 'Essay', due: '2027-01-15' },
    { note: 'Projects/Storage.md', state: 'later', open: 1, done: 0, progress: 0, next: null, due: null },
  ]);
});

test('reviews: by day, with their times over midnight and without their pauses', () => {
  expect(recado('reviews', folder)).toEqual([
    { note: 'Reviews/B.md', date: '2026-11-13', start: '2026-11-13 15:00', end: null, minutes: null, steps: 1, done: 0 },
    { note: 'Reviews/A.md', date: '2026-11-20', start: '2026-11-20 23:40', end: '2026-11-21 00:30', minutes: 38, steps: 2, done: 2 },
  ]);
});

test('repeats: planned from when it was made, without what was skipped; kept is by the end of its day', () => {
  expect(recado('repeats', folder, '--from', '2026-11-01', '--to', '2026-11-30', ...TODAY)).toEqual([
    { note: 'Rounds.md', line: 1, text: 'Read the barograph', planned: 4, kept: 1 },
  ]);
});

test('archive: what is finished goes where the settings say, and the files are written only when asked', async () => {
  await expect(recado('archive', folder, ...TODAY)).rejects.toThrow('archive needs --query TEXT.');
  const settings = ['--settings', path.join(folder, 'settings.json')];
  const answer = (await recado('archive', folder, '--query', 'note = "Shelf"', ...TODAY, ...settings)) as {
    files: { note: string; text: string }[];
    moved: number;
  };
  expect(answer).toEqual({
    moved: 1,
    files: [
      {
        note: 'Shelves/Books.md',
        text: '---\nkind: archive\n---\n\n## Fog\n\nfrom [[Shelf]], 2026-11-23\n\n- [x] Read the log #books {done 2026-10-01}\n  - [x] first half\n',
      },
      { note: 'Shelf.md', text: '## Fog\n- [x] With steps\n  - [ ] open\n- [ ] Not yet #books\n' },
    ],
  });
  expect(readFileSync(path.join(folder, 'Shelf.md'), 'utf8')).toBe(NOTES['Shelf.md']);
  expect(await recado('archive', folder, '--query', 'note = "Shelf"', '--to', 'Old', ...TODAY, '--write')).toMatchObject({ moved: 1 });
  expect(readFileSync(path.join(folder, 'Old.md'), 'utf8')).toContain('from [[Shelf]], 2026-11-23');
  expect(readFileSync(path.join(folder, 'Shelf.md'), 'utf8')).not.toContain('Read the log');
});

test('archive: a note that something leaves may be where something goes', async () => {
  const own = mkdtempSync(path.join(tmpdir(), 'recado-archive-'));
  writeFileSync(path.join(own, 'A.md'), '---\narchive: "[[B]]"\n---\n- [x] a\n');
  writeFileSync(path.join(own, 'B.md'), '- [x] b\n- [ ] stays\n');
  const answer = (await recado('archive', own, '--query', 'not open', ...TODAY)) as {
    moved: number;
    files: { note: string; text: string }[];
  };
  expect(answer.moved).toBe(2);
  const texts = Object.fromEntries(answer.files.map(({ note, text }) => [note, text]));
  expect(texts['A.md']).not.toContain('[x]');
  expect(texts['B.md']?.split('\n').filter((line) => line.startsWith('- '))).toEqual(['- [ ] stays', '- [x] a']);
  expect(texts['Archive/2026.md']).toContain('- [x] b');
  rmSync(own, { recursive: true });
});
