import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readArguments } from './arguments';
import { Desks } from './desk';
import { printed } from './print';
import { run } from './run';
import { exampleWords } from './test-examples';

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'recado-printed-'));
  const salt = [
    '# Loans #loans',
    '- [_] Ask @ilse',
    '  - [x] step {done 2026-11-20 10:00}',
    '  - [-] other',
    '  - [ ] last {start 2026-12-01}',
    '',
  ];
  writeFileSync(path.join(folder, 'Salt.md'), salt.join('\n'));
  writeFileSync(path.join(folder, 'Other.md'), '- [ ] one\n- [ ] two\n');
});
afterAll(() => rmSync(folder, { recursive: true }));

describe('what a person at a terminal reads', () => {
  it('answers each example of the help in words', async () => {
    const desks = new Desks();
    for (const words of exampleWords()) {
      const given = readArguments(words);
      const result = await run(given, desks);
      const text = given.command === 'export' ? String(result) : printed(given.command, result);
      expect([words, text.trim() === '']).toEqual([words, false]);
    }
  });

  it('prints the steps of a gather below their task, and the numbers of bars and curves', () => {
    const print = (query: string): string[] =>
      printed('gather', run(readArguments(['gather', folder, '--today', '2026-12-02', '--query', query]), new Desks())).split('\n');
    const nested = print('#loans and not cancelled');
    expect(nested[2]).toMatch(/^Salt\.md:2 /);
    expect(nested.filter((line) => /^ {2}\S/.test(line))).toEqual([
      '  Salt.md:3  - [x] step {done 2026-11-20 10:00}',
      '  Salt.md:5  - [ ] last {start 2026-12-01}',
    ]);
    expect(print('open as bars of count by status')).toEqual([
      'Tasks that are open, as bars of count by status.',
      '4 in all',
      'todo  3',
      'underway  1',
    ]);
    const [, , ...two] = print('open as bars of count by note, status');
    expect(two.filter((line) => !line.includes('  '))).toEqual(['', 'todo', '', 'underway']);
  });
});
