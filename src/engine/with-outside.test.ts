import { answersAfter } from '../core/index/live/news';
import { EngineHost } from './host';
import type { EngineEvent } from './protocol';
import { SETTINGS } from './test-settings';
import { EngineWithOutside } from './with-outside';

const reader = (notes: Record<string, string>) => ({
  portions: async function* () {
    for (const [path, text] of Object.entries(notes)) yield { notes: [{ path, text }], all: 1 };
  },
});

async function engine() {
  const events: EngineEvent[] = [];
  let begun = 0;
  const notes = new EngineHost(reader({ 'A.md': '- [ ] mine {due 2026-11-20}\n' }));
  const lists = reader({
    '/outside/Team.md': '- [ ] theirs #van {due 2026-11-20; ref aaaaaa}\n- [x] closed\n',
    '/outside/Tasks.md': '- [ ] other\n',
  });
  const both = new EngineWithOutside(notes, () => {
    begun += 1;
    return new EngineHost(lists);
  });
  await both.start(SETTINGS, (event) => events.push(event));
  const texts = (id: string): string[] => {
    const answers = events.reduce(
      (before, event) => (event.is === 'news' ? answersAfter(before, event.answers) : before),
      answersAfter({}, {}),
    );
    return (answers[id]?.groups ?? []).flatMap(({ rows }) => rows.map(({ text }) => text));
  };
  const settled = async (): Promise<void> => {
    for (let turn = 0; turn < 5; turn++) await new Promise((resolve) => setTimeout(resolve));
  };
  return { both, texts, settled, events, begun: () => begun };
}

test('gathers from outside lists are answered apart from the notes, live, and begun when they are asked first', async () => {
  const { both, texts, settled, events, begun } = await engine();
  await both.subscribe('late', 'late', null);
  await settled();
  expect([texts('late'), begun()]).toEqual([['mine'], 0]);
  await both.subscribe('team', 'from outside "team" where open', null);
  await both.subscribe('all', 'from outside where open order by text', null);
  await settled();
  expect([texts('team'), texts('all'), texts('late'), begun()]).toEqual([['theirs #van'], ['other', 'theirs #van'], ['mine'], 1]);
  await both.apply([
    { path: '/outside/Team.md', text: '- [ ] theirs #van {ref aaaaaa}\n- [ ] new\n' },
    { path: 'A.md', text: '- [ ] mine\n' },
  ]);
  await settled();
  expect([texts('team').sort(), texts('late')]).toEqual([['new', 'theirs #van'], []]);
  // Nothing of it is among the notes of the frame.
  const paths = events.flatMap((event) => (event.is === 'news' ? Object.values(event.overview?.notes ?? {}) : []));
  expect(JSON.stringify(paths)).not.toContain('/outside/');
  const why = await both.ask('why', { text: 'from outside "Team" where #van', at: null, path: '/outside/Team.md', line: 0, expected: '' });
  expect(why).not.toBeNull();
  // A list that becomes one of the notes, and the other way.
  await both.subscribe('team', 'where open', null);
  await settled();
  expect(texts('team')).toEqual(['mine']);
  await both.unsubscribe('team');
});
