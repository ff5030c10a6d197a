import fc from 'fast-check';
import { sameTasks } from './same-tasks';

const line = (raw: string) => ({ raw, text: raw.replace(/^- \[.\] /, '').replace(/ \{.*\}$/, '') });
const told = (before: string[], after: string[]): number[] => sameTasks(before.map(line), after.map(line));

it.each([
  ['nothing changed', ['- [ ] a', '- [ ] b'], ['- [ ] a', '- [ ] b'], [0, 1]],
  ['a line came above', ['- [ ] a', '- [ ] b'], ['- [ ] new', '- [ ] a', '- [ ] b'], [-1, 0, 1]],
  ['a line went', ['- [ ] a', '- [ ] b', '- [ ] c'], ['- [ ] a', '- [ ] c'], [0, 2]],
  ['one was ticked while a line came above', ['- [ ] a', '- [ ] b'], ['- [ ] new', '- [x] a {done 2026-11-23}', '- [ ] b'], [-1, 0, 1]],
  ['one was reworded', ['- [ ] a', '- [ ] b', '- [ ] c'], ['- [ ] a', '- [ ] other', '- [ ] c'], [0, 1, 2]],
  ['all were reworded', ['- [ ] a', '- [ ] b'], ['- [ ] c', '- [ ] d'], [0, 1]],
  ['two changed places', ['- [ ] a', '- [ ] b'], ['- [ ] b', '- [ ] a'], [1, 0]],
  ['one was doubled', ['- [ ] a', '- [ ] b'], ['- [ ] a', '- [ ] a', '- [ ] b'], [0, -1, 1]],
  ['one of two alike was ticked', ['- [ ] a', '- [ ] a'], ['- [x] a', '- [ ] a'], [0, 1]],
  ['all went', ['- [ ] a'], [], []],
  ['the first came', [], ['- [ ] a'], [-1]],
])('%s', (_, before, after, places) => expect(told(before, after)).toEqual(places));

it('no task is two, and what stands there letter for letter is found again', () => {
  const lines = fc.array(fc.constantFrom('- [ ] a', '- [x] a', '- [ ] b', '- [ ] c {high}', '- [ ] c', '- [ ] d'), { maxLength: 12 });
  fc.assert(
    fc.property(lines, lines, (before, after) => {
      const places = told(before, after);
      expect(places).toHaveLength(after.length);
      const found = places.filter((place) => place !== -1);
      expect(new Set(found).size).toBe(found.length);
      expect(found.every((place) => place >= 0 && place < before.length)).toBe(true);
      const count = (all: string[], raw: string): number => all.filter((one) => one === raw).length;
      for (const raw of new Set(after)) {
        const kept = places.filter((place, at) => after[at] === raw && place !== -1 && before[place] === raw).length;
        expect(kept).toBe(Math.min(count(before, raw), count(after, raw)));
      }
    }),
  );
});
