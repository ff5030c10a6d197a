import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { readNote } from '../../task/reading/read-note';
import { digestOf } from './digest';
import { runs } from '../../testing/test-runs';

const NOTE = `---
kind: meeting
date: 2026-11-23
start: 11:30
end: 12:15
people: [kofi, teo]
about: "[[Salt on the Glass]]"
form: weekly round
---
- Crates come on Thursday
- Six crates fit if the hinges come off {key}
  - measured twice
- [ ] Ask the carpenter for the hinges @teo {owner @teo; due 2026-11-25}
- [x] Door measured {done 2026-11-23 11:40}
- [x] Who signs when Bea is away? {question; done 2026-11-23}
  Kofi, with a copy to the office
- [ ] How warm may the case get? {question}
- [:] Date for the lens, from @lars {since 2026-11-23}
- [-] Carpet {cancelled 2026-11-23}

## Digest
- [ ] Send it to all
`;

describe('the digest of a meeting', () => {
  it('says when, who, about what, and what came of it, in the order of the note', () =>
    expect(digestOf(readNote('M.md', NOTE), [{ text: 'Crate keys', owner: 'kofi', due: readIsoDay('2026-11-24') }])).toBe(
      `- Weekly round, Monday 23 Nov 2026, 11:30–12:15, with Kofi, Teo, about Salt on the Glass.
- Key points
  - Six crates fit if the hinges come off
- Actions
  - Ask the carpenter for the hinges @teo (Teo, due Wednesday 25 Nov 2026)
  - Door measured (done Monday 23 Nov 2026)
  - Date for the lens, from @lars (waiting)
  - Carpet (cancelled Monday 23 Nov 2026)
- Questions
  - How warm may the case get? (open)
  - Who signs when Bea is away? Kofi, with a copy to the office
- Left from last time
  - Crate keys (Kofi, due Tuesday 24 Nov 2026)
`,
    ));

  it('of a meeting that says nothing says so much', () => expect(digestOf(readNote('M.md', ''), [])).toBe('- Meeting.\n'));

  it('holds each action, key point and question exactly once, no other line, and nothing in it is gathered', () => {
    const words = fc.constantFrom(
      'crate',
      'bell',
      '[ ] odd',
      '{due 2026-11-27}',
      '- minus',
      '# not',
      'wall } end',
      '> said',
      '1. one',
      '[[Barometers]]',
    );
    const line = fc.tuple(
      fc.constantFrom('- ', '- [ ] ', '- [x] ', '- [:] ', '* '),
      words,
      fc.constantFrom('', ' {key}', ' {question}', ' {due 2026-12-01}'),
    );
    fc.assert(
      fc.property(fc.array(line, { maxLength: 12 }), (lines) => {
        const text = lines.map(([mark, said, tail], at) => `${mark}${said} n${at}n${tail}`).join('\n');
        const note = readNote('M.md', text);
        const digest = digestOf(note, []);
        const told = new Set([...note.tasks.map((task) => task.line), ...note.keyPoints.map((point) => point.line)]);
        lines.forEach((_, at) => expect([at, digest.split(`n${at}n`).length - 1]).toEqual([at, told.has(at) ? 1 : 0]));
        const read = readNote('M.md', `${text}\n\n## Digest\n\n${digest}`);
        expect([read.tasks.length, read.keyPoints.length]).toEqual([note.tasks.length, note.keyPoints.length]);
        expect(digestOf(read, [])).toBe(digest);
      }),
      { numRuns: runs(300) },
    );
  });
});
