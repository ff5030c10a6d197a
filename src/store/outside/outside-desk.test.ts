import { ACTION_DEFAULTS, type ActionContext } from '../../core/task/acts/action-context';
import { refMaker } from '../../core/task/line/ref';
import { desk } from '../test-desk';
import { answerGoneHere, answerGoneThere, answerLost } from './answers';
import { moreFor } from './face-more';
import { JoinedNotes } from './in-step/joined-notes';
import { MemoryService } from './memory-service';
import { OutsideDesk } from './outside-desk';
import { OutsideSync } from './in-step/outside-sync';
import { OUTSIDE_VALUE, readSeenLists } from './seen-lists';

const ACCOUNT = { protocol: 'caldav', address: 'https://lists.museum.example/', user: 'ilse', key: 'secret of the list' } as const;
const NOW = Date.UTC(2026, 10, 23, 9, 14);

/** Notes, the desk of the outside lists as the program opens it, and a service. */
async function opened(notes: Record<string, string>) {
  const makeRef = refMaker(() => false, Math.random);
  const context = (): ActionContext => ({ now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef });
  const main = desk(notes, () => NOW);
  await main.ready;
  const lists = await OutsideDesk.open(main.store, 'this', context);
  for (const name of await lists.db.outsideLists.toCollection().primaryKeys()) await lists.leave(name);
  await lists.follow(ACCOUNT, { id: 'Team', title: 'Team' }, 'Team');
  const service = new MemoryService(['Team'], () => NOW);
  const joined = new JoinedNotes(main.store, () => undefined);
  main.store.listen(joined.listener);
  const sync = new OutsideSync({
    ...{ store: main.store, own: lists.own, remote: service.remote, joined, context, now: () => NOW, origin: 'http://localhost:4180' },
  });
  await sync.pass();
  const there = (): string[] => service.all('Team').map(({ face }) => face.task.words);
  const seen = async () => {
    await lists.tell();
    return readSeenLists(await main.store.value(OUTSIDE_VALUE))[0];
  };
  return { main, lists, service, there, seen, pass: () => sync.pass(), list: () => lists.own.text('/outside/Team.md') };
}

const put = (words: string, ref: string) => ({
  ...{ ref, line: `- [ ] ${words} {ref ${ref}}`, more: moreFor('http://localhost:4180', 'A.md', 'Detail', ref) },
});

describe('what is put onto a list', () => {
  test('goes there once with the way back, is taken off again, and put back before that went there it stays', async () => {
    const { lists, service, there, pass, list } = await opened({});
    await lists.put('Team', [put('Weigh', 'aaaaaa'), put('Count', 'bbbbbb')], null);
    await lists.put('Team', [put('Weigh', 'aaaaaa')], null);
    await pass();
    expect(there()).toEqual(['Weigh', 'Count']);
    expect(service.all('Team')[0]?.face.description).toBe('Detail\n\nIn Recado: http://localhost:4180/item/aaaaaa\nNote: A.md');
    await lists.takeOff('Team', new Set(['aaaaaa']));
    await lists.put('Team', [put('Weigh', 'aaaaaa')], null);
    await pass();
    expect(there()).toEqual(['Weigh', 'Count']);
    await lists.takeOff('Team', new Set(['aaaaaa']));
    await pass();
    expect([there(), await list()]).toEqual([['Count'], '- [ ] Count {ref bbbbbb}\n']);
  });

  test('is one step of the lists where it is told so, and Undo takes it off again', async () => {
    const { lists, there, pass } = await opened({});
    const step = await lists.put('Team', [put('Weigh', 'aaaaaa')], 'Put onto Team');
    await pass();
    expect(there()).toEqual(['Weigh']);
    expect(await lists.own.steps.undoStep(step ?? 0)).toEqual({ undone: 'Put onto Team' });
    await pass();
    expect(there()).toEqual([]);
  });

  test('while a look waits for the service keeps its detail, and what is left meanwhile does not come back', async () => {
    const { lists, service, pass, list } = await opened({});
    const before = { ...service.remote };
    const during = async (act: () => Promise<unknown>): Promise<void> => {
      service.remote.changes = async (given) => {
        await act();
        return before.changes(given);
      };
      await pass();
      Object.assign(service.remote, before);
    };
    await during(() => lists.put('Team', [put('Weigh', 'aaaaaa')], null));
    await pass();
    expect(service.all('Team').map(({ face }) => face.description)).toEqual([expect.stringContaining('Detail')]);
    await during(() => lists.leave('Team'));
    expect([await lists.db.outsideTasks.count(), await lists.db.outsideLists.count(), await list()]).toEqual([0, 0, null]);
    expect(service.all('Team')).toHaveLength(1);
  });
});

describe('what is asked', () => {
  const LINES = '- [ ] Weigh {joined Team; ref aaaaaa}\n- [ ] Count {joined Team; ref bbbbbb}\n';

  test('gone there: several are answered in one step, each answer does what it says', async () => {
    const { main, lists, service, there, pass, seen } = await opened({ 'A.md': LINES });
    const desks = { store: main.store, actions: main.actions, desk: lists };
    for (const { id } of service.all('Team')) service.remove('Team', id);
    await pass();
    expect((await seen())?.asks.map(({ words, asks }) => [words, asks])).toEqual([
      ['Weigh', 'gone there'],
      ['Count', 'gone there'],
    ]);
    await answerGoneThere(desks, 'Team', ['aaaaaa', 'bbbbbb'], 'again');
    await pass();
    expect([there(), (await seen())?.asks]).toEqual([['Weigh', 'Count'], []]);
    for (const { id } of service.all('Team')) service.remove('Team', id);
    await pass();
    const step = await answerGoneThere(desks, 'Team', ['aaaaaa', 'bbbbbb'], 'keep');
    await pass();
    expect([await main.store.text('A.md'), there()]).toEqual(['- [ ] Weigh {ref aaaaaa}\n- [ ] Count {ref bbbbbb}\n', []]);
    await main.store.steps.undoStep(step ?? 0);
    await pass();
    expect([await main.store.text('A.md'), there()]).toEqual([LINES, ['Weigh', 'Count']]);
    for (const { id } of service.all('Team')) service.remove('Team', id);
    await pass();
    await answerGoneThere(desks, 'Team', ['aaaaaa', 'bbbbbb', 'cccccc'], 'remove');
    await pass();
    expect([await main.store.text('A.md'), there(), (await seen())?.asks]).toEqual(['', [], []]);
  });

  test('gone here: left on the list it bears no sign any more, or it goes from there', async () => {
    const { main, lists, service, there, pass, list } = await opened({ 'A.md': LINES });
    await main.actions.replace('A.md', '', 'Removed');
    await pass();
    await answerGoneHere(lists, 'Team', ['aaaaaa'], 'leave');
    await answerGoneHere(lists, 'Team', ['bbbbbb'], 'remove');
    await pass();
    expect([there(), service.all('Team')[0]?.face]).toEqual([['Weigh'], expect.objectContaining({ ref: null, description: '' })]);
    expect(await list()).toBe('- [ ] Weigh {ref aaaaaa}\n');
  });

  test('a line that lost its ref is given the one that a person means, or a new one', async () => {
    const { main, lists, there, pass, seen } = await opened({ 'A.md': LINES });
    await main.actions.replace('A.md', '- [ ] Something else {joined Team}\n', 'Changed');
    await pass();
    const [line] = (await seen())?.lost ?? [];
    expect(line?.may.map(({ words }) => words)).toEqual(['Weigh', 'Count']);
    if (line) await answerLost({ actions: main.actions, desk: lists }, line, 'bbbbbb');
    await pass();
    expect([await main.store.text('A.md'), there()]).toEqual([
      '- [ ] Something else {joined Team; ref bbbbbb}\n',
      ['Weigh', 'Something else'],
    ]);
  });
});

test('what all tabs are told of a list holds no key, and another account is looked at anew', async () => {
  const { main, lists, service, pass, seen } = await opened({ 'A.md': '- [ ] Weigh {joined team}\n' });
  expect(JSON.stringify(await main.store.value(OUTSIDE_VALUE))).not.toContain('secret of the list');
  expect(await seen()).toMatchObject({ name: 'Team', user: 'ilse', tasks: 1, joined: 1, waiting: 0, trouble: null });
  service.faults = ['refused'];
  await pass();
  expect(await seen()).toMatchObject({ trouble: 'refused' });
  await lists.changeAccount('Team', { ...ACCOUNT, key: 'another' });
  expect([await seen(), (await lists.accountOf('Team'))?.key]).toEqual([expect.objectContaining({ trouble: null }), 'another']);
});
