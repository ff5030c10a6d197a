import { pastedInto } from './pasted';

describe('pasted text', () => {
  it.each([
    ['- [ ] ', '- [ ] p', 'p'],
    ['- [ ] ', 'one\r\ntwo\n\nthree\n', 'one\n- [ ] two\n- [ ] three'],
    ['  * [ ] ', '• one\n• two', 'one\n  * [ ] two'],
    ['- [ ] ', '1. one\n2) [x] two', 'one\n- [x] two'],
    ['- [ ] ', '', ''],
  ])('into the empty task %j: %j → %j', (before, pasted, after) => expect(pastedInto(before, pasted, true)).toBe(after));

  it.each([
    ['words • and more', 'words • and more'],
    ['• one\n  ◦ two', '- one\n  - two'],
    ['- [ ] as it is', '- [ ] as it is'],
  ])('elsewhere: %j → %j', (pasted, after) => expect(pastedInto('', pasted, false)).toBe(after));
});
