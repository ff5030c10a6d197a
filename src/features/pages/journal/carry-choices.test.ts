import 'fake-indexeddb/auto';
import type { LeftOpenTask } from '../../../core/index/questions/past/carry';
import { desk } from '../../../store/test-desk';
import { type Choice, carryPlan } from './carry-choices';

const TODAY = 20780;
const task = (path: string, line: number, raw: string): LeftOpenTask => ({
  path,
  line,
  raw,
  text: raw,
  noteTitle: path,
  status: 'todo',
  day: TODAY - 3,
  sign: `${path} ${line}`,
});
const PAGE = 'Journal/2026-11-20.md';
const chosen = (choice: Choice, day: number | null = null, remark = '') => ({ choice, day, remark });

describe('what is chosen for tasks that were left open', () => {
  it('comes to acts, and to what is left alone', () => {
    const a = task('A.md', 0, '- [ ] a {plan 2026-11-20}');
    const plan = (choice: Choice, day: number | null = null, remark = '') =>
      carryPlan([{ task: a, chosen: chosen(choice, day, remark) }], TODAY, null);
    expect(plan('today').acts[0]?.intentions).toEqual([{ do: 'push', to: '2026-11-23' }]);
    expect(plan('day', TODAY + 4).acts[0]?.intentions).toEqual([{ do: 'push', to: '2026-11-27' }]);
    expect(plan('cancel', null, 'no time').acts[0]?.intentions).toEqual([{ do: 'status', status: 'cancelled', remark: 'no time' }]);
    expect(plan('undated')).toMatchObject({ acts: [{ intentions: [{ do: 'unset', clause: 'plan' }] }], alone: ['A.md 0'] });
    expect(plan('alone')).toEqual({ acts: [], alone: ['A.md 0'] });
  });

  it('moves lines of journal pages to the page of their new day, with what is under them, where that is set; one Undo takes it back', async () => {
    const text = '- [ ] a\n  - [ ] step\n- [ ] b\n';
    const { store, actions, ready } = desk({ [PAGE]: text, 'Journal/2026-11-23.md': '## Log\n', 'A.md': '- [ ] c {plan 2026-11-20}\n' });
    await ready;
    const tasks = [task(PAGE, 0, '- [ ] a'), task('A.md', 0, '- [ ] c {plan 2026-11-20}')];
    const plan = carryPlan(
      tasks.map((one) => ({ task: one, chosen: chosen('today') })),
      TODAY,
      () => 'Journal/2026-11-23.md',
    );
    const result = await actions.actMany(plan.acts, 'Carried forward: 2 tasks');
    expect(result).toMatchObject({ stayed: [] });
    expect(await store.text(PAGE)).toBe('- [ ] b\n');
    expect(await store.text('Journal/2026-11-23.md')).toBe('## Log\n- [ ] a {plan 2026-11-23; pushed 2026-11-20}\n  - [ ] step\n');
    expect(await store.text('A.md')).toBe('- [ ] c {plan 2026-11-23; pushed 2026-11-20}\n');
    await store.steps.undo();
    expect(await store.text(PAGE)).toBe(text);
  });
});
