import { isUntitled, titled } from './untitled';

describe('a note without a title', () => {
  it.each([
    ['Storage move', { title: 'Storage move', text: '' }],
    ['\n## Storage move\n\n- [ ] pack\n', { title: 'Storage move', text: '- [ ] pack\n' }],
    ['- [ ] Ask [[Kofi|him]] {high}\nx', { title: 'Ask Kofihim', text: 'x' }],
    ['\n  \n', null],
    ['', null],
    ['[[]]', null],
  ])('%j becomes %j', (text, expected) => expect(titled(text)).toEqual(expected));

  it('is one that is called so', () =>
    expect(['Untitled.md', 'A/Untitled 2.md', 'Untitled deeds.md'].map(isUntitled)).toEqual([true, true, false]));
});
