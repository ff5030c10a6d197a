import fc from 'fast-check';
import { lineText, splitLines } from '../../note/blocks/lines';
import { applyChanges } from './edit';
import { LineEdits } from './line-edits';
import { runs } from '../../testing/test-runs';

describe('edits of lines', () => {
  it('say where each line stands afterwards that stays', () => {
    const edit = fc.record({ do: fc.constantFrom('put', 'take', 'set'), line: fc.nat(9), more: fc.nat(2) });
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 8 }), fc.boolean(), (edits, ends) => {
        const words = Array.from({ length: 10 }, (_, index) => `line ${index}`);
        const lines = splitLines(words.join('\n') + (ends ? '\n' : ''));
        const all = new LineEdits(lines);
        const taken = new Set<number>();
        const set = new Map<number, string>();
        for (const { do: what, line, more } of edits) {
          if (what === 'put')
            all.insertBefore(
              line,
              Array.from({ length: more + 1 }, () => 'new'),
            );
          if (what === 'set') {
            set.set(line, `set ${line}`);
            all.set(line, `set ${line}`);
          }
          if (what !== 'take') continue;
          const last = Math.min(9, line + more);
          all.remove(line, last);
          for (let one = line; one <= last; one++) taken.add(one);
        }
        const after = splitLines(applyChanges(lines.text, all.changes()));
        const place = all.places();
        for (let line = 0; line < 10; line++) if (!taken.has(line)) expect(lineText(after, place(line))).toBe(set.get(line) ?? words[line]);
      }),
      { numRuns: runs(500), seed: 20261127 },
    );
  });

  it('keep later lines below earlier ones, and tell what is put before a line', () => {
    const edits = new LineEdits(splitLines('a\nb'));
    edits.insertBefore(1, ['one']);
    edits.insertBefore(1, ['two', 'three']);
    expect(edits.insertedBefore(1)).toEqual(['one', 'two', 'three']);
    expect(edits.insertedBefore(0)).toEqual([]);
    expect(applyChanges('a\nb', edits.changes())).toBe('a\none\ntwo\nthree\nb');
  });
});
