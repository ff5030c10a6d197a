import { withComposed } from './composed-beside-tail';

const LINE = { words: '- [ ] Pack', tail: '{due 2026-11-27}' };
const after = (text: string): string | null => {
  const next = withComposed(text, LINE);
  return next && `${next.text.slice(0, next.cursor)}|${next.text.slice(next.cursor)}`;
};

describe('what was composed beside a tail', () => {
  it.each([
    ['behind it', '- [ ] Pack {due 2026-11-27}箱', '- [ ] Pack 箱| {due 2026-11-27}'],
    ['behind it, with the space of the next word', '- [ ] Pack {due 2026-11-27} now ', '- [ ] Pack now | {due 2026-11-27}'],
    ['right before its brace', '- [ ] Pack now{due 2026-11-27}', '- [ ] Pack now| {due 2026-11-27}'],
    ['right before its brace, begun with the space there', '- [ ] Pack  now{due 2026-11-27}', '- [ ] Pack now| {due 2026-11-27}'],
  ])('%s stands at the end of the words', (_, text, wanted) => expect(after(text)).toBe(wanted));

  it.each([
    ['nothing was composed', '- [ ] Pack {due 2026-11-27}'],
    ['the tail was changed meanwhile', '- [ ] Pack {due 2026-11-28}now'],
    ['the words were changed meanwhile', '- [ ] Pick {due 2026-11-27}now'],
  ])('where %s the line stays', (_, text) => expect(after(text)).toBeNull());
});
