import { ACTION_DEFAULTS } from '../acts/action-context';
import { withTypedClauses } from './typed-tail';

const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

it.each([
  ['- [ ] a {due fri}', '- [ ] a {due 2026-11-27}'],
  ['- [ ] a {due fri 15:00; high; takes 2 hours}', '- [ ] a {due 2026-11-27 15:00; high; takes 2h}'],
  ['- [ ] a { plan next week ;owner kofi} ', '- [ ] a { plan 2026-W49 ;owner @kofi} '],
  ['- [ ] a {due 2026-02-30}', '- [ ] a {due 2026-02-30}'],
  ['- [ ] a {due soon}', '- [ ] a {due soon}'],
  ['- [ ] a {x} {start in 3 days}', '- [ ] a {x} {start 2026-11-26}'],
  ['- [ ] {plan b}', '- [ ] {plan b}'],
  ['- [ ] set the {due fri} aside', '- [ ] set the {due fri} aside'],
])('%s becomes %s', (line, stored) => expect(withTypedClauses(line, 2, CONTEXT)).toBe(stored));
