import type { NoteChange } from '../core/index/library';
import { answersAfter } from '../core/index/live/news';
import { EngineHost } from './host';
import { type Apart, EngineKeeper } from './keeper';
import type { EngineEvent } from './protocol';
import { SETTINGS } from './test-settings';

/** A page with an engine that may die, over some stored notes. */
function page(notes: Record<string, string>) {
  const stored = new Map(Object.entries(notes));
  const events: EngineEvent[] = [];
  const running: { died: (reason: string) => void; apart: Apart; late: (event: EngineEvent) => void }[] = [];
  let time = 0;
  const spawn = (died: (reason: string) => void): Apart => {
    const host = new EngineHost({
      portions: async function* () {
        const all = [...stored].map(([path, text]): NoteChange => ({ path, text }));
        yield { notes: all, all: all.length };
      },
    });
    let dead = false;
    let hear: (event: EngineEvent) => void = () => undefined;
    const alive =
      <Given extends unknown[], T>(call: (...given: Given) => Promise<T>) =>
      (...given: Given): Promise<T> =>
        dead ? Promise.reject(new Error('dead')) : call(...given);
    const apart: Apart = {
      engine: {
        apply: alive(host.apply.bind(host)),
        changeSettings: alive(host.changeSettings.bind(host)),
        subscribe: alive(host.subscribe.bind(host)),
        unsubscribe: alive(host.unsubscribe.bind(host)),
        ask: (name, given) => (dead ? Promise.reject(new Error('dead')) : host.ask(name, given)),
      },
      start: (settings, told) => {
        hear = told;
        return host.start(settings, told);
      },
      end: () => {
        dead = true;
      },
    };
    running.push({ died, apart, late: (event) => hear(event) });
    return apart;
  };
  const keeper = new EngineKeeper(
    spawn,
    SETTINGS,
    (event) => events.push(event),
    () => time,
  );
  const answers = () =>
    events.reduce<ReturnType<typeof answersAfter>>((all, event) => (event.is === 'news' ? answersAfter(all, event.answers) : all), {});
  const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 30));
  return { keeper, stored, events, running, answers, settled, pass: (ms: number) => (time += ms) };
}

describe('the engine, kept for the page', () => {
  it('that dies is started again, reads what is stored by then, and answers what is still asked', async () => {
    const { keeper, stored, running, answers, settled } = page({ 'A.md': '- [ ] a' });
    await keeper.subscribe('open', 'open', null);
    await keeper.subscribe('gone', 'done', null);
    await keeper.unsubscribe('gone');
    await settled();
    expect(answers()['open']?.total).toBe(1);
    stored.set('B.md', '- [ ] b');
    running[0]?.died('out of memory');
    await settled();
    expect(running).toHaveLength(2);
    expect(answers()['open']?.total).toBe(2);
    await keeper.apply([{ path: 'C.md', text: '- [ ] c' }]);
    expect(answers()['open']?.total).toBe(3);
    expect(await keeper.ask('find', { words: 'b' })).toHaveLength(1);
  });

  it('knows after its death what of sealed notes is open, and nothing of what was closed', async () => {
    const { keeper, stored, running, answers, settled } = page({ 'A.md': '- [ ] a' });
    stored.set('Private/sealed-aaaabbbbccccdddd.md.age', null as unknown as string);
    stored.set('Diary.md.age', null as unknown as string);
    await keeper.subscribe('list', 'open', null);
    await settled();
    await keeper.apply([
      { path: 'Private/sealed-aaaabbbbccccdddd.md.age', text: '- [ ] water the quince' },
      { path: 'Diary.md.age', text: '- [ ] write' },
    ]);
    await keeper.apply([{ path: 'Diary.md.age', text: '' }]);
    expect(answers()['list']?.total).toBe(2);
    running[0]?.died('it was stopped');
    await settled();
    expect(answers()['list']?.groups.flatMap(({ rows }) => rows.map(({ text }) => text))).toEqual(['a', 'water the quince']);
  });

  it('that fails at a call is started again, and the page goes on', async () => {
    const { keeper, running, settled } = page({ 'A.md': '- [ ] a' });
    await settled();
    running[0]?.apart.end();
    expect(await keeper.ask('find', { words: 'a' })).toEqual([]);
    await settled();
    expect(await keeper.ask('find', { words: 'a' })).toHaveLength(1);
  });

  it('that dies again and again is given up, and it is said', async () => {
    const { events, running, settled, pass } = page({});
    for (let death = 0; death < 4; death++) {
      running.at(-1)?.died('broken');
      await settled();
    }
    expect(running).toHaveLength(4);
    expect(events.at(-1)).toMatchObject({ is: 'failed', message: expect.stringContaining('your notes are safe') as string });
    pass(120_000);
  });

  it('tells nothing that comes late from one that died, or about what nobody asks any more', async () => {
    const { keeper, events, running, settled, answers } = page({ 'A.md': '- [ ] a #x' });
    await keeper.subscribe('list', 'open', null);
    await settled();
    const first = running[0];
    const news = events.find((event) => event.is === 'news' && Object.keys(event.answers).length > 0);
    await keeper.unsubscribe('list');
    const told = events.length;
    if (news) first?.late(news);
    expect(events.slice(told).flatMap((event) => (event.is === 'news' ? Object.keys(event.answers) : []))).toEqual([]);
    first?.died('gone');
    await settled();
    const after = events.length;
    if (news) first?.late(news);
    expect(events).toHaveLength(after);
    expect(answers()['list']?.total).toBe(1);
  });

  it('gives the answer to the text that was asked last, though an earlier one needs longer', async () => {
    const { keeper, settled, answers } = page({ 'A.md': '- [ ] a #x\n- [ ] b\n- [ ] c' });
    await settled();
    const asked = [keeper.subscribe('list', 'text like /a/', null), keeper.subscribe('list', 'open', null)];
    await Promise.all(asked);
    await settled();
    expect(answers()['list']?.total).toBe(3);
  });
});
