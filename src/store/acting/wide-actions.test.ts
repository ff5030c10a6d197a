import 'fake-indexeddb/auto';
import { readIsoDay } from '../../core/calendar/day';
import { ACTION_DEFAULTS, type ActionContext } from '../../core/task/acts/action-context';
import { statusTable } from '../../core/task/line/added-status';
import { desk, texts } from '../test-desk';
import { NoteActions } from './note-actions';

const NOW = { day: readIsoDay('2026-11-23') ?? 0, minute: 9 * 60 };
const LORRY = { sign: '>', name: 'On the lorry', means: 'underway', colour: null, icon: null } as const;

async function actionsOn(notes: Record<string, string>) {
  const { store, ready } = desk(notes);
  await ready;
  let count = 0;
  const context: ActionContext = {
    now: NOW,
    settings: { ...ACTION_DEFAULTS, statuses: statusTable([LORRY]) },
    makeRef: () => `aaaaa${count++}`,
  };
  return { actions: new NoteActions(store, () => context), store };
}

describe('a status that a note adds', () => {
  const NOTES = {
    'Lorry.md': '---\nkind: status\nsign: ">"\n---\n',
    'A.md': '- [>] ramps\n- [_] begun {since 2026-11-20}\n  - [>] strap\n',
    'B.md': 'no task [>] here\n',
  };

  it('is removed with what bears it, in one step that Undo takes back', async () => {
    const { actions, store } = await actionsOn(NOTES);
    const result = await actions.changeStatus('Lorry.md', null, '>', { status: 'done', sign: 'x' }, 'Removed');
    expect(result).toMatchObject({ changed: 2 });
    expect(await texts(store)).toEqual({
      'A.md': '- [x] ramps {done 2026-11-23 09:00}\n- [_] begun {since 2026-11-20}\n  - [x] strap {done 2026-11-23 09:00}\n',
      'B.md': NOTES['B.md'],
    });
    await store.steps.undo();
    expect(await texts(store)).toEqual(NOTES);
  });

  it('keeps its tasks when only its name changes', async () => {
    const { actions, store } = await actionsOn(NOTES);
    expect(await actions.changeStatus('Lorry.md', 'new', '>', null, 'Changed')).toMatchObject({ changed: 0 });
    expect(await texts(store)).toEqual({ ...NOTES, 'Lorry.md': 'new' });
  });

  it('is not there: nothing changes', async () => {
    const { actions, store } = await actionsOn(NOTES);
    expect(await actions.changeStatus('Gone.md', null, '>', { status: 'done', sign: 'x' }, 'Removed')).toHaveProperty('refused');
    expect(await texts(store)).toEqual(NOTES);
  });
});

describe('settling a project', () => {
  const NOTES = { 'P.md': '---\nkind: project\n---\n- [ ] [[P]]\n', 'A.md': '- [ ] [[P]]\n- [ ] other\n' };
  const stands = [
    { path: 'A.md', line: 0, expected: '- [ ] [[P]]' },
    { path: 'P.md', line: 3, expected: '- [ ] [[P]]' },
  ];

  it('closes the tasks that stand for it, its own too, in one step', async () => {
    const { actions, store } = await actionsOn(NOTES);
    expect(await actions.settleProject('P.md', 'done', stands, 'Done: P')).toMatchObject({ closed: 2 });
    expect(await texts(store)).toEqual({
      'P.md': '---\nkind: project\nstate: done\n---\n- [x] [[P]] {done 2026-11-23 09:00}\n',
      'A.md': '- [x] [[P]] {done 2026-11-23 09:00}\n- [ ] other\n',
    });
    await store.steps.undo();
    expect(await texts(store)).toEqual(NOTES);
  });

  it('puts it off without closing anything, and leaves a task alone that is no longer as it was', async () => {
    const { actions, store } = await actionsOn(NOTES);
    expect(await actions.settleProject('P.md', 'later', stands, 'Later: P')).toMatchObject({ closed: 0 });
    expect(await store.text('A.md')).toBe(NOTES['A.md']);
    const gone = [{ path: 'A.md', line: 0, expected: '- [ ] was another' }];
    expect(await actions.settleProject('P.md', 'cancelled', gone, 'Cancelled: P')).toMatchObject({ closed: 0 });
    expect(await store.text('P.md')).toContain('state: cancelled');
  });
});

describe('the order of a day', () => {
  const NOTES = { 'Day.md': '# Day\n\n## Plan\n- [ ] own\n', 'A.md': '- [ ] first {plan 2026-11-23}\n- [ ] second {plan 2026-11-23}\n' };
  const own = { path: 'Day.md', line: 3, expected: '- [ ] own' };
  const second = { path: 'A.md', line: 1, expected: '- [ ] second {plan 2026-11-23}' };

  it('is written with echoes of what stands elsewhere, and taken back whole', async () => {
    const { actions, store } = await actionsOn(NOTES);
    await actions.orderDay('Day.md', [second, own], 'Plan', 'Ordered');
    expect(await texts(store)).toEqual({
      'Day.md': '# Day\n\n## Plan\n- [ ] [second](recado:aaaaa0)\n- [ ] own\n',
      'A.md': '- [ ] first {plan 2026-11-23}\n- [ ] second {plan 2026-11-23; ref aaaaa0}\n',
    });
    // Taken out of the day, its echo goes with its plan.
    const raw = '- [ ] second {plan 2026-11-23; ref aaaaa0}';
    await actions.takeOutOfDay('Day.md', { path: 'A.md', line: 1, expected: raw }, 'Plan', 'Out');
    expect(await texts(store)).toEqual({
      'Day.md': '# Day\n\n## Plan\n- [ ] own\n',
      'A.md': '- [ ] first {plan 2026-11-23}\n- [ ] second {ref aaaaa0}\n',
    });
    await store.steps.undo();
    await store.steps.undo();
    expect(await texts(store)).toEqual(NOTES);
  });

  it('orders what stands on the page elsewhere than under the heading by an echo', async () => {
    const { actions, store } = await actionsOn({ 'Day.md': '- [ ] top\n## Plan\n- [ ] own\n' });
    const top = { path: 'Day.md', line: 0, expected: '- [ ] top' };
    await actions.orderDay('Day.md', [{ path: 'Day.md', line: 2, expected: '- [ ] own' }, top], 'Plan', 'Ordered');
    expect(await store.text('Day.md')).toBe('- [ ] top {ref aaaaa0}\n## Plan\n- [ ] own\n- [ ] [top](recado:aaaaa0)\n');
  });

  it('begins the page where there is none', async () => {
    const { actions, store } = await actionsOn({ 'A.md': NOTES['A.md'] });
    await actions.orderDay('Day.md', [second], 'Plan', 'Ordered', '# Made\n');
    expect(await store.text('Day.md')).toBe('# Made\n\n## Plan\n- [ ] [second](recado:aaaaa0)\n');
  });
});
