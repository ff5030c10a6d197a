import fc from 'fast-check';
import { readNote } from '../reading/read-note';
import { withItemBeside } from './with-item-beside';
import { runs } from '../../testing/test-runs';

const ref = (text: string, words: string): { line: number; expected: string } => {
  const line = text.split(/\r?\n/).findIndex((one) => one.includes(words));
  return { line, expected: text.split(/\r?\n/)[line] ?? '' };
};
const put = (text: string, moved: string, other: string, side: 'before' | 'behind'): string => {
  const result = withItemBeside(text, ref(text, moved), ref(text, other), side);
  return 'text' in result ? result.text : result.refused;
};

describe('withItemBeside', () => {
  test.each([
    ['- [ ] a\n- [ ] b\n', 'b', 'a', 'before', '- [ ] b\n- [ ] a\n'],
    ['- [ ] a\n  - [ ] step\n- [ ] b', 'a', 'b', 'behind', '- [ ] b\n- [ ] a\n  - [ ] step'],
    ['# One\n- [ ] a\n\n# Two\n- [ ] b\n', 'a', 'b', 'before', '# One\n\n# Two\n- [ ] a\n- [ ] b\n'],
    ['- [ ] a\n- [ ] b\n  - [ ] in b\n', 'a', 'in b', 'behind', '- [ ] b\n  - [ ] in b\n  - [ ] a\n'],
    ['- [ ] b\n  - [ ] in b\n    words\n- [ ] a\r\n', 'in b', 'a', 'before', '- [ ] b\n- [ ] in b\n  words\n- [ ] a\r\n'],
    ['- [ ] a\n  - [ ] in a\n', '- [ ] a', 'in a', 'behind', 'A line cannot stand inside itself, so nothing was changed.'],
  ] as const)('%j: %s goes %s %s', (text, moved, other, side, after) => expect(put(text, moved, other, side)).toBe(after));

  test('nothing is lost or doubled, and it stands beside the other', () => {
    const tree = fc.array(fc.tuple(fc.nat({ max: 2 }), fc.boolean()), { minLength: 2, maxLength: 9 });
    fc.assert(
      fc.property(tree, fc.nat(), fc.nat(), fc.constantFrom('before' as const, 'behind' as const), (shape, one, two, side) => {
        let depth = 0;
        const lines = shape.flatMap(([wanted, heading], index) => {
          depth = heading || index === 0 ? 0 : Math.min(wanted, depth + 1);
          return [...(heading ? [`## H${index}`] : []), `${'  '.repeat(depth)}- [ ] task ${index}`];
        });
        const text = lines.join('\n');
        const { tasks } = readNote('', text);
        const [moved, other] = [tasks[one % tasks.length], tasks[two % tasks.length]];
        if (!moved || !other) return;
        const result = withItemBeside(text, { line: moved.line, expected: moved.raw }, { line: other.line, expected: other.raw }, side);
        if ('refused' in result) return;
        const words = (of: string): string[] => of.split('\n').map((line) => line.trim());
        expect(words(result.text).sort()).toEqual(words(text).sort());
        const after = readNote('', result.text);
        const at = (said: string): { task: (typeof after.tasks)[number] | undefined; place: number } => {
          const place = after.tasks.findIndex((task) => task.text === said);
          return { task: after.tasks[place], place };
        };
        const [here, there] = [at(moved.text), at(other.text)];
        expect(here.task?.depth).toBe(there.task?.depth);
        expect(here.task?.parent).toBe(there.task?.parent);
        expect(here.place < there.place).toBe(side === 'before');
      }),
      { numRuns: runs(200) },
    );
  });
});
