import { ACTION_DEFAULTS } from '../acts/action-context';
import { applyChanges } from '../writing/edit';
import { signOfLine, typedStatus } from './typed-status';

const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

describe('a status character typed by hand', () => {
  it.each([
    ['- [x] a', ' ', '- [x] a {done 2026-11-23 09:14}'],
    ['- [-] a {high}', '_', '- [-] a {high; cancelled 2026-11-23 09:14}'],
    ['- [ ] a {done 2026-11-20}', 'x', '- [ ] a'],
    ['- [:] a', ' ', '- [:] a {since 2026-11-23 09:14}'],
    ['- [x] a {due 2026-11-23; every day}', ' ', '- [ ] a {due 2026-11-24; every day}\n- [x] a {due 2026-11-23; done 2026-11-23 09:14}'],
  ])('%s, where %j stood: %s', (text, before, after) => {
    const changes = typedStatus(text, 0, before, CONTEXT);
    expect(changes && applyChanges(text, changes)).toBe(after);
  });

  it.each([
    ['- [x] new line', null],
    ['- [X] a', 'x'],
    ['- [ ] a', ' '],
    ['- [x] a {done 2026-11-20}', ' '],
    ['- [x] a {every day}', ' '],
    ['words', ' '],
  ])('nothing follows from %s, where %j stood', (text, before) => expect(typedStatus(text, 0, before, CONTEXT)).toBeNull());

  it.each([
    ['- [ ] a', ' '],
    ['> 1. [_] a', '_'],
    ['- a', null],
    ['words [x] a', null],
  ])('%s has %j in its box', (line, sign) => expect(signOfLine(line)).toBe(sign));
});
