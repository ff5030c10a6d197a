import { isUnseen } from './written-lately';

test.each([
  ['a word was added beside ours', 'a', 'a b', 'a c', true],
  ['the old text was saved again', 'a', 'a b', 'a', true],
  ['a tick of ours is missing', '- [ ] a\n', '- [x] a {done 2026-11-23}\n', '- [ ] a\n- [ ] c\n', true],
  ['it grew from ours', 'a', 'a b', 'a b c', false],
  ['words were taken away', 'a b', 'a b c', 'b', false],
  ['the same word stands there twice, once of ours', 'x', 'x x', 'x y', true],
  ['we only took away', 'a b', 'a', 'a b c', false],
])('%s', (_, before, ours, theirs, wanted) => expect(isUnseen(before, ours, theirs)).toBe(wanted));
