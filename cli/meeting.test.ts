import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readArguments } from './arguments';
import { Desks } from './desk';
import { run } from './run';

const recado = (...list: string[]): unknown => run(readArguments(list), new Desks());

describe('the runner on meetings', () => {
  it('meetings and digest tell what came of meetings, and what the last one of a series left open', () => {
    const desk = mkdtempSync(path.join(tmpdir(), 'recado-meetings-'));
    try {
      mkdirSync(path.join(desk, 'Meetings'));
      const round = (day: string, lines: string): void =>
        writeFileSync(
          path.join(desk, `Meetings/${day}.md`),
          `---\nkind: meeting\ndate: ${day}\nstart: "11:30"\npeople: [kofi]\nseries: Rounds\nform: weekly round\n---\n${lines}\n`,
        );
      round('2026-11-23', '- [ ] Label the crates {key}\n- Hinges come off {key}\n- [ ] Who signs? {question}');
      round('2026-11-16', '- [ ] Crate keys {owner @kofi; due 2026-11-24}\n- [x] Door measured {done 2026-11-18}');
      writeFileSync(path.join(desk, 'Other.md'), '- [ ] no meeting');
      const [first, second] = recado('meetings', desk, '--today', '2026-11-23') as Record<string, unknown>[];
      expect(first).toMatchObject({ note: 'Meetings/2026-11-16.md', date: '2026-11-16', start: '11:30', end: null, series: 'Rounds' });
      expect(second).toMatchObject({
        people: ['kofi'],
        form: 'weekly round',
        actions: [{ text: 'Label the crates', line: 9 }],
        keyPoints: [{ text: 'Label the crates' }, { text: 'Hinges come off', line: 10, status: 'todo' }],
        questions: [{ text: 'Who signs?' }],
      });
      expect(recado('digest', desk, '--at', 'Meetings/2026-11-23', '--today', '2026-11-23')).toEqual({
        text: [
          '- Weekly round, Monday 23 Nov 2026, 11:30, with Kofi.',
          '- Key points',
          '  - Hinges come off',
          '- Actions',
          '  - Label the crates',
          '- Questions',
          '  - Who signs? (open)',
          '- Left from last time',
          '  - Crate keys (Kofi, due Tuesday 24 Nov 2026)',
          '',
        ].join('\n'),
      });
      expect(() => recado('digest', desk, '--at', 'Other')).toThrow('no meeting');
      expect(() => recado('digest', desk, '--at', 'Gone')).toThrow('no note');
      expect(
        recado('gather', desk, '--query', 'from meetings\nwhere series = "rounds" and form = "weekly round"', '--today', '2026-11-23'),
      ).toMatchObject({
        total: 2,
      });
    } finally {
      rmSync(desk, { recursive: true });
    }
  });
});
