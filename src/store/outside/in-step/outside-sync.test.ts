import type { SharedTask } from '../../../core/sharing/outside/shared-task';
import { MemoryService } from '../memory-service';
import { outsideDesk } from '../test-outside';
import { LONG } from '../../../core/testing/test-runs';

const MINUTE = 60_000;
const MONDAY = Date.UTC(2026, 10, 23, 9, 14);
const TASK: SharedTask = { words: 'Order glass', status: 'todo', due: null, plan: null, priority: null, tags: [], every: null };

async function begun(notes: Record<string, string>, tasks: Partial<SharedTask>[] = [], skew = 0) {
  const clock = { ms: MONDAY };
  const service = new MemoryService(['Team', 'Tasks'], () => clock.ms, skew);
  tasks.forEach((task, index) => service.make('Team', `t${index}`, { ...TASK, ...task }));
  const desk = await outsideDesk(notes, service, clock);
  await desk.pass();
  const later = (): void => void (clock.ms += 2 * MINUTE);
  const there = (words: string) => service.all('Team').find(({ face }) => face.task.words.includes(words));
  const change = (words: string, task: Partial<SharedTask>): void => {
    const found = there(words);
    if (found) service.change('Team', found.id, Object.keys(task) as (keyof SharedTask)[], { ...found.face.task, ...task });
  };
  return { clock, service, later, there, change, ...desk };
}
const line = (words: string, tail: string): string => `# Loans\n- [ ] ${words} {${tail}}\n  - before noon\n- [ ] plain\n`;

describe('a joined line', () => {
  test('is made there with its detail and the way back, once', async () => {
    const { service, text, pass, there, list } = await begun({
      'Loans.md': '- [ ] Weigh the crate #loans {due 2026-11-27; joined Team}\n  Before the van comes.\n',
    });
    expect(await text('Loans.md')).toMatch(
      /^- \[ \] Weigh the crate #loans \{due 2026-11-27; joined Team; ref ([a-z0-9]{6})\}\n {2}Before the van comes.\n$/,
    );
    const ref = there('Weigh')?.face.ref ?? '';
    expect(there('Weigh')?.face).toMatchObject({ task: { words: 'Weigh the crate', due: '2026-11-27', tags: ['loans'] }, ref });
    expect(there('Weigh')?.face.description).toBe(`Before the van comes.\n\nIn Recado: http://localhost:4180/item/${ref}\nNote: Loans.md`);
    expect(await list('Team')).toBe(`- [ ] Weigh the crate #loans {due 2026-11-27; joined Team; ref ${ref}}\n`);
    await pass();
    expect(service.all('Team')).toHaveLength(1);
  });

  test('is ticked on both sides wherever it is ticked, and a plain line goes nowhere', async () => {
    const { pass, here, inList, change, there, text, service } = await begun({
      'Loans.md': line('Weigh', 'joined Team; ref aaaaaa') + line('Count', 'joined Team; ref bbbbbb'),
    });
    await here('plain', { do: 'status', status: 'done' });
    await here('Weigh', { do: 'status', status: 'done' });
    change('Count', { status: 'done' });
    await pass();
    expect(there('Weigh')?.face.task.status).toBe('done');
    expect(await text('Loans.md')).toContain('- [x] Count {joined Team; ref bbbbbb; done 2026-11-23 09:14}');
    expect(service.all('Team')).toHaveLength(2);
    // Opened again in the list's own note, which is a third face of it.
    await inList('Count', { do: 'status', status: 'todo' });
    await pass();
    expect([there('Count')?.face.task.status, (await text('Loans.md'))?.includes('- [ ] Count {joined Team; ref bbbbbb}')]).toEqual([
      'todo',
      true,
    ]);
  });

  test('each field takes the newest change, and what both changed is told', async () => {
    const { pass, here, change, later, lists, there, text } = await begun({
      'Loans.md': line('Weigh', 'due 2026-11-27; joined Team; ref aaaaaa'),
    });
    await here('Weigh', { do: 'set', clause: 'due 2026-11-30' }, { do: 'priority', priority: 'high' });
    await pass();
    await here('Weigh', { do: 'set', clause: 'due 2026-12-01' }, { do: 'tag', name: '#loans' });
    later();
    change('Weigh', { due: '2026-12-02', words: 'Weigh the crate' });
    await pass();
    expect(await text('Loans.md')).toMatch(
      /- \[ \] Weigh the crate #loans \{due 2026-12-02; joined Team; ref aaaaaa; pushed [^;]*; high\}/,
    );
    expect(there('Weigh')?.face.task).toMatchObject({ words: 'Weigh the crate', due: '2026-12-02', priority: 'high', tags: ['loans'] });
    const [list] = (await lists()).filter(({ name }) => name === 'Team');
    expect(list?.told).toMatchObject([{ words: 'Weigh', field: 'due', here: '2026-12-01', there: '2026-12-02', won: 'there' }]);
  });

  test('clocks that differ by an hour are no reason for the older change to win', async () => {
    const { pass, here, change, later, there } = await begun(
      { 'Loans.md': line('Weigh', 'due 2026-11-27; joined Team; ref aaaaaa') },
      [],
      60 * MINUTE,
    );
    change('Weigh', { due: '2026-12-02' });
    later();
    await here('Weigh', { do: 'set', clause: 'due 2026-12-01' });
    await pass();
    expect(there('Weigh')?.face.task.due).toBe('2026-12-01');
  });

  test('a repeat that is finished there goes on here as by a tick, once, and goes there with its next date', async () => {
    const { pass, change, there, text, begin } = await begun({
      'Loans.md': line('Water', 'due 2026-11-23; every mon; joined Team; ref aaaaaa'),
    });
    expect(there('Water')?.face.task.every).toBe('mon');
    change('Water', { status: 'done' });
    await pass();
    begin();
    await pass();
    expect(await text('Loans.md')).toBe(
      '# Loans\n- [ ] Water {due 2026-11-30; every mon; joined Team; ref aaaaaa}\n  - before noon\n- [ ] plain\n- [x] Water {due 2026-11-23; done 2026-11-23 09:14}\n',
    );
    expect(there('Water')?.face.task).toMatchObject({ status: 'todo', due: '2026-11-30' });
  });

  test('a repeat that is finished there and loses its day there goes on here from the day it had', async () => {
    const { pass, change, there, text } = await begun({ 'A.md': '- [ ] Water {due 2026-11-23; every mon; joined Team; ref aaaaaa}\n' });
    change('Water', { status: 'done', due: null });
    await pass();
    expect(await text('A.md')).toContain('- [ ] Water {due 2026-11-30; every mon; joined Team; ref aaaaaa}');
    expect(there('Water')?.face.task).toMatchObject({ status: 'todo', due: '2026-11-30' });
  });

  test('what is gone on one side is asked about, and nothing is removed', async () => {
    const { pass, here, service, there, records, text, list } = await begun({
      'Loans.md': line('Weigh', 'joined Team; ref aaaaaa') + line('Count', 'joined Team; ref bbbbbb'),
    });
    service.remove('Team', there('Weigh')?.id ?? '');
    await here('Count', { do: 'delete' });
    await pass();
    await pass();
    expect((await records()).map(({ ref, asks }) => [ref, asks])).toEqual([
      ['aaaaaa', 'gone there'],
      ['bbbbbb', 'gone here'],
    ]);
    expect([(await text('Loans.md'))?.includes('Weigh'), there('Count')?.face.task.status]).toEqual([true, 'todo']);
    expect(await list('Team')).toContain('Count');
  });

  test('moved to another list there it follows; moved to another note it stays one', async () => {
    const { pass, main, service, there, text } = await begun({ 'Loans.md': line('Weigh', 'joined Team; ref aaaaaa'), 'B.md': '' });
    service.move('Team', there('Weigh')?.id ?? '', 'Tasks');
    await pass();
    expect(await text('Loans.md')).toContain('{joined Tasks; ref aaaaaa}');
    await main.actions.replace('B.md', '- [ ] Weigh {joined Tasks; ref aaaaaa}\n', 'Moved');
    await main.actions.replace('Loans.md', '# Loans\n', 'Moved');
    await pass();
    expect(service.all('Tasks').map(({ face }) => face.description)).toEqual(
      ['- before noon', ''].slice(1).map(() => 'In Recado: http://localhost:4180/item/aaaaaa\nNote: B.md'),
    );
  });

  test('one that lost its ref finds its partner by words; of several it is asked', async () => {
    const { pass, main, service, text, lists } = await begun({
      'A.md':
        '- [ ] Weigh {joined Team; ref aaaaaa}\n- [ ] Same {joined Team; ref bbbbbb}\n- [ ] Same {due 2026-12-01; joined Team; ref cccccc}\n',
    });
    await main.actions.replace('A.md', '- [ ] Weigh {joined Team}\n- [ ] Same {joined Team}\n', 'Changed');
    await pass();
    expect(await text('A.md')).toBe('- [ ] Weigh {joined Team; ref aaaaaa}\n- [ ] Same {joined Team}\n');
    expect((await lists()).find(({ name }) => name === 'Team')?.lost).toMatchObject([
      { words: 'Same', line: 1, may: ['bbbbbb', 'cccccc'] },
    ]);
    expect(service.all('Team')).toHaveLength(3);
  });

  test('a ref that is doubled by hand keeps the line that stood there, and the other is told', async () => {
    const { pass, main, there, change, text, lists } = await begun({ 'B.md': '- [ ] Weigh {joined Team; ref aaaaaa}\n' });
    await main.actions.replace('A.md', '- [ ] Weigh twice {joined Team; ref aaaaaa}\n', 'Changed').catch(() => undefined);
    await main.store.commit({ by: 'command', label: 'x' }, [
      { path: 'A.md', expect: null, content: { text: '- [ ] Weigh twice {joined Team; ref aaaaaa}\n' } },
    ]);
    change('Weigh', { due: '2026-12-01' });
    await pass();
    expect([await text('A.md'), await text('B.md')]).toEqual([
      '- [ ] Weigh twice {joined Team; ref aaaaaa}\n',
      '- [ ] Weigh {joined Team; ref aaaaaa; due 2026-12-01}\n',
    ]);
    expect(there('Weigh')?.face.task.words).toBe('Weigh');
    expect((await lists()).find(({ name }) => name === 'Team')?.problems.map(({ path }) => path)).toEqual(['A.md']);
  });

  test('what somebody spoilt there by hand is told, and both sides stay as they were', async () => {
    const { pass, service, there, here, text, lists, change } = await begun({ 'A.md': '- [ ] Weigh {joined Team; ref aaaaaa}\n' });
    const id = there('Weigh')?.id ?? '';
    service.spoil('Team', id);
    await here('Weigh', { do: 'set', clause: 'due 2026-12-01' });
    await pass();
    expect(await text('A.md')).toBe('- [ ] Weigh {joined Team; ref aaaaaa; due 2026-12-01}\n');
    expect((await lists()).find(({ name }) => name === 'Team')?.problems).toEqual([
      { path: 'A.md', why: 'What lies there of “Weigh” cannot be read. Both sides stay as they were until it can.' },
    ]);
    service.make('Team', 'recado-aaaaaa', { ...TASK, words: 'Weigh' });
    change('Weigh', { priority: 'high' });
    await pass();
    expect([there('Weigh')?.face.task.due, (await text('A.md'))?.includes('high')]).toEqual(['2026-12-01', true]);
  });

  test('what both changed is told once, however long it cannot go there', async () => {
    const { pass, here, change, lists, service, later } = await begun({
      'A.md': '- [ ] Weigh {due 2026-11-27; joined Team; ref aaaaaa}\n',
    });
    change('Weigh', { due: '2026-12-02' });
    later();
    await here('Weigh', { do: 'set', clause: 'due 2026-12-01' });
    const put = { ...service.remote };
    service.remote.put = async () => [{ is: 'failed', trouble: 'away' }];
    await pass();
    await pass();
    Object.assign(service.remote, put);
    await pass();
    expect((await lists()).find(({ name }) => name === 'Team')?.told).toHaveLength(1);
  });

  test('after the store was lost it finds its task again by its own name', async () => {
    const { pass, own, service, here, there, begin } = await begun({ 'A.md': '- [ ] Weigh {joined Team; ref aaaaaa}\n' }, [{}]);
    await own.db.outsideTasks.clear();
    await own.db.notes.clear();
    await own.db.outsideLists.toCollection().modify({ token: null });
    begin();
    await here('Weigh', { do: 'set', clause: 'due 2026-12-01' });
    await pass();
    expect(service.all('Team')).toHaveLength(2);
    expect(there('Weigh')?.face.task.due).toBe('2026-12-01');
  });
});

describe('a list that is followed', () => {
  test('stands in its own note; what is ticked, dated, written and taken off there goes there', async () => {
    const { pass, list, inList, own, service, there } = await begun({}, [
      { words: 'Order glass', tags: ['shop'] },
      { words: 'Call', due: '2026-11-27 15:00', every: 'mon' },
    ]);
    expect((await list('Team')).replace(/ref [a-z0-9]{6}/g, 'ref')).toBe(
      '- [ ] Order glass #shop {ref}\n- [ ] Call {due 2026-11-27 15:00; every mon; ref}\n',
    );
    await inList('Order', { do: 'status', status: 'done' });
    await inList('Call', { do: 'status', status: 'done' });
    await own.actions.writeLines(
      '/outside/Team.md',
      { heading: null, side: 'last' },
      ['- [ ] Write to @noor #letters {due 2026-12-01}'],
      'New',
    );
    await pass();
    expect(service.all('Team').map(({ face: { task, ref } }) => [task.words, task.status, task.due, task.tags, ref !== null])).toEqual([
      ['Order glass', 'done', null, ['shop'], false],
      ['Call', 'todo', '2026-11-30 15:00', [], false],
      ['Write to @noor', 'todo', '2026-12-01', ['letters'], false],
    ]);
    await inList('Order', { do: 'delete' });
    await pass();
    expect([there('Order'), service.all('Team').length]).toEqual([undefined, 2]);
    // What is gone there goes here, where no line of a note is its other face.
    service.remove('Team', there('Call')?.id ?? '');
    await pass();
    expect((await list('Team')).replace(/ref [a-z0-9]{6}/g, 'ref')).toBe('- [ ] Write to @noor #letters {due 2026-12-01; ref}\n');
  });

  test('when the service is away all stays, and what was done here meanwhile goes there later', async () => {
    const { pass, service, here, there, lists, clock } = await begun({ 'A.md': '- [ ] Weigh {joined Team; ref aaaaaa}\n' });
    for (const fault of ['away', 'broken', 'refused', 'busy'] as const) {
      service.faults = [fault, fault];
      await here('Weigh', { do: 'set', clause: `due 2026-12-0${fault.length}` });
      await pass(false);
      expect((await lists()).map(({ trouble }) => trouble)).toEqual([fault, fault]);
    }
    const asked = service.requests;
    await pass(false);
    // It asked to be left alone for five seconds.
    expect(service.requests).toBe(asked);
    clock.ms += 6000;
    await pass(false);
    expect([there('Weigh')?.face.task.due, (await lists()).map(({ trouble }) => trouble)]).toEqual(['2026-12-04', [null, null]]);
  });

  test('an answer that is lost makes nothing twice', async () => {
    const { pass, service, main } = await begun({ 'A.md': '' });
    await main.actions.replace('A.md', '- [ ] Weigh {joined Team}\n- [ ] Count {joined Team}\n', 'New');
    // The looks are heard; the writes are done, and nobody hears of it.
    for (let turn = 0; turn < 3; turn++) {
      const before = { ...service.remote };
      service.remote.put = async (...given) => {
        service.faults.unshift('lost');
        return before.put(...given);
      };
      await pass();
      Object.assign(service.remote, before);
    }
    await pass();
    expect(service.all('Team').map(({ face }) => face.task.words)).toEqual(['Weigh', 'Count']);
  });

  // In the long tests of 5,000.
  test('requests go with what changed: of many joined, 50 changed on each side', async () => {
    const joined = LONG ? 5000 : 1500;
    const lines = Array.from(
      { length: joined },
      (_, at) => `- [ ] task ${at}. {joined Team; ref ${(at + 2000000).toString(36).padStart(6, 'a').slice(-6)}}`,
    );
    const { pass, service, main, text } = await begun({ 'A.md': `${lines.join('\n')}\n` });
    expect(service.all('Team')).toHaveLength(joined);
    await pass();
    [service.requests, service.tasks] = [0, 0];
    const before = (await text('A.md')) ?? '';
    await main.actions.replace(
      'A.md',
      before.replace(/^- \[ \] task (\d{1,2}(?=\.)|)/gm, (whole, at) => (Number(at) < 50 && at !== '' ? `- [ ] other ${at}` : whole)),
      'Changed',
    );
    for (const { id, face } of service.all('Team').slice(100, 150))
      service.change('Team', id, ['due'], { ...face.task, due: '2026-12-01' });
    await pass();
    expect([service.tasks, service.requests < 10]).toEqual([100, true]);
    expect(((await text('A.md')) ?? '').match(/due 2026-12-01/g)).toHaveLength(50);
    [service.requests, service.tasks] = [0, 0];
    service.forgetTokens();
    await pass();
    // A token that is too old costs a look at all tags, and fetches nothing again.
    expect([service.tasks, service.requests]).toEqual([0, 2]);
  }, 60_000);
});
