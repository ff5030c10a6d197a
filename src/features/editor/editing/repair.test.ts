import { readNote } from '../../../core/task/reading/read-note';
import { ACTION_DEFAULTS, type ActionContext } from '../../../core/task/acts/action-context';
import { READING_DEFAULTS } from '../../../core/task/line/task';
import { repairOf, withoutPage } from './repair';

const CONTEXT: ActionContext = { now: { day: 20780, minute: 560 }, settings: ACTION_DEFAULTS, makeRef: () => 'a1' };

describe('what is repaired on a line', () => {
  const of = (line: string, known: string[] | null) => {
    const [task] = readNote('Crates.md', line, READING_DEFAULTS).tasks;
    if (!task) throw new Error('the line is a task');
    return repairOf(line, task, CONTEXT, known && new Set(known));
  };

  it('words in the tail become dates', () => {
    expect(of('- [ ] Weigh the crate {due 1 dec 2026}', null)).toEqual({ is: 'tail', line: '- [ ] Weigh the crate {due 2026-12-01}' });
  });

  it('who has no page gets one, once others have', () => {
    expect(of('- [ ] Ask @isle', ['ilse'])).toEqual({ is: 'page', person: 'isle' });
    expect(of('- [ ] Ask @Ilse and @teo', ['ilse'])).toEqual({ is: 'page', person: 'teo' });
    expect(of('- [ ] Ask @Ilse', ['ilse'])).toBeNull();
    expect(of('- [ ] Ask @isle', null)).toBeNull();
  });

  it('dates go first, and what is right stays', () => {
    expect(of('- [ ] Ask @isle {due 1 dec 2026}', ['ilse'])?.is).toBe('tail');
    expect(of('- [ ] Weigh the crate {due 2026-12-01}', ['ilse'])).toBeNull();
  });

  it('an address and code name nobody', () => {
    const known = new Set(['ilse']);
    expect(withoutPage('write to desk@sea.example', known)).toBeNull();
    expect(withoutPage('the `@isle` of a script', known)).toBeNull();
    expect(withoutPage('ask @isle', known)).toBe('isle');
  });
});
