import fc from 'fast-check';
import { handOrder } from '../day-items';
import { type Ordered, withOrder, withoutEcho } from './plan-order';
import { readNote } from '../../task/reading/read-note';

const PLAN = { planHeading: 'Plan' };
const on = (line: number): Ordered => ({ ref: null, line, text: '' });
const at = (ref: string, text = 'words'): Ordered => ({ ref, line: null, text });

describe('the order of a day by hand', () => {
  it.each<[string, string, Ordered[], string]>([
    ['lines change places', '## Plan\n- [ ] a\n- [ ] b\n', [on(2), on(1)], '## Plan\n- [ ] b\n- [ ] a\n'],
    [
      'with what belongs to them, and around what is none of them',
      '## Plan\nwords\n- [ ] a\n  - [ ] step\n\nmore words\n\n- [ ] b\n## Log\n- [ ] c\n',
      [on(7), on(2)],
      '## Plan\nwords\n- [ ] b\n\nmore words\n\n- [ ] a\n  - [ ] step\n## Log\n- [ ] c\n',
    ],
    [
      'what stands elsewhere gets an echo',
      '## Plan\n- [ ] a\n',
      [at('k3f9qa', 'Sign [it]'), on(1)],
      '## Plan\n- [ ] [Sign \\[it\\]](recado:k3f9qa)\n- [ ] a\n',
    ],
    [
      'an echo that is there is moved',
      '## Plan\n- [ ] a\n- [x] [b](recado:k3f9qa)\n',
      [at('k3f9qa'), on(1)],
      '## Plan\n- [x] [b](recado:k3f9qa)\n- [ ] a\n',
    ],
    ['what is in no order stays behind', '## Plan\n- [ ] a\n- [ ] b\n- [ ] c\n', [on(3)], '## Plan\n- [ ] c\n- [ ] a\n- [ ] b\n'],
    [
      'under a heading with nothing',
      '# Day\n## Plan\n\n## Log\n',
      [at('k3f9qa')],
      '# Day\n## Plan\n- [ ] [words](recado:k3f9qa)\n\n## Log\n',
    ],
    ['without the heading', 'Words\n\n', [at('k3f9qa')], 'Words\n\n## Plan\n- [ ] [words](recado:k3f9qa)\n'],
    ['on a page that is empty', '', [at('k3f9qa')], '## Plan\n- [ ] [words](recado:k3f9qa)\n'],
    [
      'what stands elsewhere without a ref is left out',
      '## Plan\n- [ ] a\n',
      [{ ref: null, line: null, text: 'x' }, on(1)],
      '## Plan\n- [ ] a\n',
    ],
    ['ends of lines stay', '## Plan\r\n- [ ] a\r\n- [ ] b\r\n', [on(2)], '## Plan\r\n- [ ] b\r\n- [ ] a\r\n'],
    [
      'a task with a ref of its own',
      '## Plan\n- [ ] a\n- [ ] b {ref k3f9qa}\n',
      [at('k3f9qa'), on(1)],
      '## Plan\n- [ ] b {ref k3f9qa}\n- [ ] a\n',
    ],
  ])('%s', (_what, text, order, after) => expect(withOrder(text, order, PLAN)).toBe(after));

  it('reads back as it was written, and loses no line', () => {
    const LINE = fc.constantFrom('- [ ] a', '- [x] b', '  - [ ] step', 'words', '', '- plain', '- [ ] [e](recado:aaaaaa)', '### Part');
    fc.assert(
      fc.property(fc.array(LINE, { maxLength: 12 }), fc.integer(), (body, seed) => {
        const text = ['# Day', '## Plan', ...body, '## Log', '- [ ] late'].join('\n');
        const places = handOrder(readNote('', text), { planHeading: 'Plan' });
        const order = places.map(({ line, ref }): Ordered => ({ line: ref === null ? line : null, ref, text: '' }));
        // The same numbers in another order.
        const turned = order.map((one, index) => ({ one, key: Math.sin(seed + index) })).sort((a, b) => a.key - b.key);
        const after = withOrder(
          text,
          turned.map(({ one }) => one),
          PLAN,
        );
        const words = (of: string): string[] =>
          of
            .split('\n')
            .map((line) => line.trim())
            .sort();
        expect(words(after)).toEqual(words(text));
        expect(handOrder(readNote('', after), { planHeading: 'Plan' }).length).toBe(places.length);
      }),
    );
  });

  it('lets go of an echo, and of nothing else', () => {
    const text = '## Plan\n- [ ] a\n- [ ] [b](recado:k3f9qa)\n  a word on it\n- [ ] c {ref p2x7ab}\n';
    expect(withoutEcho(text, 'k3f9qa', PLAN)).toBe('## Plan\n- [ ] a\n- [ ] c {ref p2x7ab}\n');
    expect(withoutEcho(text, 'p2x7ab', PLAN)).toBe(text);
    expect(withoutEcho('no plan', 'k3f9qa', PLAN)).toBe('no plan');
  });
});
