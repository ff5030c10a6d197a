import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import Ajv from 'ajv/dist/2020';
import { readArguments } from '../cli/arguments';
import { Desks } from '../cli/desk';
import { run } from '../cli/run';
import { parseGather } from '../src/core/gather/language/parse';
import { readNote } from '../src/core/task/reading/read-note';

const PAGES = [
  'README.md',
  'CONTRIBUTING.md',
  'CHANGELOG.md',
  ...readdirSync('docs')
    .filter((name) => name.endsWith('.md'))
    .map((name) => `docs/${name}`),
];
const read = (page: string): string => readFileSync(page, 'utf8');
const { scripts, version } = JSON.parse(read('package.json')) as { scripts: Record<string, string>; version: string };

/** The rows of all tables of a page, without their heads. */
const rowsOf = (text: string): string[][] =>
  text
    .split('\n')
    .filter((line) => line.startsWith('| ') && !line.startsWith('| ---'))
    .map((line) => line.slice(2, -2).split(/ \| /));

describe('what docs/promise.md names', () => {
  const held = rowsOf(read('docs/promise.md')).filter(([, by]) => by !== 'held by');

  it('is every promise with what holds it', () => {
    expect(held.length).toBeGreaterThan(90);
    for (const row of held) expect([row, row.length]).toEqual([row, 2]);
  });

  it.each(held)('%s', (_, by = '') => {
    for (const one of by.split(' · ')) {
      const [, place = ''] = /^`([^`]+)`/.exec(one) ?? [];
      const [file = '', words] = place.split(' › ');
      if (file.startsWith('npm run ')) {
        expect(scripts).toHaveProperty(file.slice('npm run '.length));
        continue;
      }
      expect([file, existsSync(file)]).toEqual([file, true]);
      if (words !== undefined) expect([one, read(file).includes(words)]).toEqual([one, true]);
    }
  });
});

describe.each(PAGES)('%s', (page) => {
  const text = read(page);

  it('leads to what is there', () => {
    for (const [, target = ''] of text.matchAll(/\]\((?!https?:|recado:|#)([^)#\s]+)(?:#[^)]*)?\)/g)) {
      // An example of a picture in a note is none of this page.
      if (/^\.\.\/Pictures\//.test(target)) continue;
      // A page of the program, as a review leads to one.
      if (target.startsWith('/')) continue;
      expect([target, existsSync(path.join(path.dirname(page), decodeURIComponent(target)))]).toEqual([target, true]);
    }
  });

  it('names commands that there are', () => {
    for (const [, name = ''] of text.matchAll(/\bnpm run (?:--silent )?([a-z]+)/g)) expect(scripts).toHaveProperty(name);
    for (const [, name = ''] of text.matchAll(/`(?:\w+=\S+ )*npm (start|test|pack)\b/g))
      expect(name === 'pack' || name in scripts).toBe(true);
    for (const [, name = ''] of text.matchAll(/\bnode (scripts\/[\w.-]+)/g)) expect([name, existsSync(name)]).toEqual([name, true]);
  });

  it('names settings of the server that it reads', () => {
    const code = ['server/main.ts', 'server/listen-place.ts'].map(read).join('\n');
    for (const [line] of text.matchAll(/^.*\b[A-Z_]+=\S+.*npm start.*$/gm))
      for (const [, name = ''] of line.matchAll(/\b([A-Z_]+)=/g))
        expect([name, new RegExp(`\\b${name}\\b`).test(code)]).toEqual([name, true]);
  });

  it('asks gathers that can be read', () => {
    for (const [, gather = ''] of text.matchAll(/^```gather\n([\s\S]*?)^```$/gm)) expect(parseGather(gather).errors).toEqual([]);
  });

  it('shows lines of tasks that say what they seem to', () => {
    const lines = [...text.matchAll(/^```\n([\s\S]*?)^```$/gm)]
      .flatMap(([, block = '']) => block.split('\n'))
      .filter((line) => /^\s*[-*+] \[.\] /.test(line));
    for (const line of lines) {
      const { tasks } = readNote('Example.md', line.trim());
      expect([line, tasks.flatMap(({ problems }) => problems.map(({ message }) => message))]).toEqual([line, []]);
    }
  });
});

it('README leads to every page of docs', () => {
  for (const page of PAGES.filter((one) => one.startsWith('docs/'))) expect(read('README.md')).toContain(`](${page})`);
});

it('CHANGELOG begins with the version that is packed', () => {
  expect(/^## (\S+)/m.exec(read('CHANGELOG.md'))?.[1]).toBe(version);
});

it('docs/licences.md names each package that ships, with its licence', () => {
  const { status, stderr } = spawnSync(process.execPath, ['scripts/licences.mjs', '--check'], { encoding: 'utf8' });
  expect([status, stderr]).toEqual([0, '']);
});

it('an export as JSON is what docs/export.schema.json says (JSON Schema 2020-12, by the library ajv), and another is not', () => {
  const valid = new Ajv({ strict: true, allowUnionTypes: true }).compile(JSON.parse(read('docs/export.schema.json')) as object);
  const given = JSON.parse(String(run(readArguments(['export', 'demo', '--as', 'json', '--today', '2026-11-23']), new Desks()))) as {
    notes: { tasks: object[] }[];
  };
  expect([valid(given), valid.errors]).toEqual([true, null]);
  expect(given.notes.flatMap(({ tasks }) => tasks).length).toBeGreaterThan(100);
  expect(valid({ ...given, notes: [{ path: 'A.md', title: 'A', text: '', tasks: [{ note: 'A.md' }] }] })).toBe(false);
});
