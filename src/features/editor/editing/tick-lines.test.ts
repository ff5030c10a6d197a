import { readIsoDay } from '../../../core/calendar/day';
import { ACTION_DEFAULTS, type ActionContext } from '../../../core/task/acts/action-context';
import { testView } from '../test-view';
import { tickLines } from './tick-lines';

const CONTEXT: ActionContext = {
  now: { day: readIsoDay('2026-11-23') ?? 0, minute: 560 },
  settings: ACTION_DEFAULTS,
  makeRef: () => 'k3f9qa',
};
const DONE = '{done 2026-11-23 09:20}';

/** Ticks lines (from 0) of a text; what becomes of it, and what is told. */
async function ticked(text: string, lines: number[], { sinks = false, typedMeanwhile = '' } = {}) {
  const view = testView(text);
  const told: string[] = [];
  const settle = (): Promise<void> => {
    told.push('settled');
    if (typedMeanwhile !== '') view.dispatch({ changes: { from: 0, insert: typedMeanwhile } });
    return Promise.resolve();
  };
  await tickLines(view, lines, {
    settle,
    context: CONTEXT,
    sinks,
    elsewhere: (tasks, status) =>
      told.push(`${status} elsewhere: ${tasks.map(({ task, openSteps }) => `${task.text} ${openSteps}`).join(', ')}`),
    saveStep: (label) => told.push(label),
    told: (refused) => told.push(refused),
  });
  return { text: view.state.doc.toString(), told: told.slice(1), first: told[0] };
}

describe('ticking lines of a text', () => {
  it('stores what was typed first, and is one step that is called after the task, or how many there are', async () => {
    const one = await ticked('- [ ] a\n- [ ] b', [1]);
    expect(one).toEqual({ text: `- [ ] a\n- [x] b ${DONE}`, told: ['Done: b'], first: 'settled' });
    const both = await ticked('- [ ] a\n- [ ] b', [0, 1]);
    expect(both).toMatchObject({ text: `- [x] a ${DONE}\n- [x] b ${DONE}`, told: ['Done: 2 tasks'] });
  });

  it('closes the open ones of a mixture, and reopens where all are closed', async () => {
    expect(await ticked('- [x] a {done 2026-11-20}\n- [ ] b', [0, 1])).toMatchObject({
      text: `- [x] a {done 2026-11-20}\n- [x] b ${DONE}`,
      told: ['Done: b'],
    });
    expect(await ticked('- [x] a {done 2026-11-20}\n- [-] b', [0, 1])).toMatchObject({
      text: '- [ ] a\n- [ ] b',
      told: ['To do: 2 tasks'],
    });
  });

  it('finds the line that is meant when lines came above it meanwhile', async () => {
    expect((await ticked('- [ ] a\n- [ ] b', [1], { typedMeanwhile: 'words\n\n' })).text).toBe(`words\n\n- [ ] a\n- [x] b ${DONE}`);
  });

  it('leaves it to the store where open steps stay, or other notes are concerned', async () => {
    expect(await ticked('- [ ] a\n  - [ ] s\n  - [ ] t', [0])).toMatchObject({
      text: '- [ ] a\n  - [ ] s\n  - [ ] t',
      told: ['done elsewhere: a 2'],
    });
    expect((await ticked('- [ ] a\n  - [ ] s\n  - [ ] t', [0, 1])).told).toEqual(['done elsewhere: a 1, s 0']);
    expect((await ticked('- [ ] a {ref k3f9qa}\n- [ ] b', [0, 1])).told).toEqual(['done elsewhere: a 0, b 0']);
    expect((await ticked('- [ ] [a](recado:k3f9qa)', [0])).told[0]).toContain('elsewhere');
  });

  it('closes a task with all its steps here, when all of them are ticked', async () => {
    expect(await ticked('- [ ] a\n  - [ ] s', [0, 1])).toMatchObject({
      text: `- [x] a ${DONE}\n  - [x] s ${DONE}`,
      told: ['Done: 2 tasks'],
    });
  });

  it('takes what is finished to the end of its list, in every list that is concerned', async () => {
    const text = '- [ ] a\n- [ ] b\n- [ ] c\n\n# Part\n\n- [ ] d\n- [ ] e';
    expect((await ticked(text, [0, 1, 6], { sinks: true })).text).toBe(
      `- [ ] c\n- [x] a ${DONE}\n- [x] b ${DONE}\n\n# Part\n\n- [ ] e\n- [x] d ${DONE}`,
    );
  });

  it('says why nothing is done, and does nothing for lines that are no tasks', async () => {
    expect((await ticked('- [ ] a {every day}', [0])).told[0]).toContain('no date to count from');
    expect(await ticked('words\n- b', [0, 1])).toMatchObject({ text: 'words\n- b', told: [] });
  });
});
