import { ACTION_DEFAULTS, type ActionContext } from '../../core/task/acts/action-context';
import { readNote } from '../../core/task/reading/read-note';
import { planArchive } from '../../core/keep/archive/plan-archive';
import { ARCHIVE_DEFAULTS } from '../../core/keep/archive/archive-place';
import { shelfOf } from '../../core/index/live/shelf';
import { desk, texts } from '../test-desk';
import { archivedWhole, broughtBackWhole } from './archived-whole';
import { broughtBackLines } from './brought-back-lines';

const CONTEXT: ActionContext = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const BEFORE = '# Loans\n- [ ] first\n- [x] a\n- [ ] between\n- [x] b\n  - [x] step\n- [ ] last\n';

test('what was archived is one step, and comes back where it stood, by what its note said before', async () => {
  const { store, actions, ready } = desk({ 'Projects/A.md': BEFORE });
  await ready;
  const notes = await store.all();
  const refs = readNote('', BEFORE).tasks.map(({ line, raw }) => ({ path: 'Projects/A.md', line, expected: raw }));
  const plan = await planArchive(shelfOf(notes), refs, ARCHIVE_DEFAULTS, CONTEXT);
  expect([plan.going.length, plan.left.open]).toEqual([2, 3]);
  const tasks = plan.going.map(({ ref, to }) => ({ ref, intentions: [{ do: 'archive', to } as const] }));
  expect(await actions.actMany(tasks, 'Archived: 2 lines')).toMatchObject({ changed: 2, stayed: [] });
  expect((await texts(store))['Projects/A.md']).toBe('# Loans\n- [ ] first\n- [ ] between\n- [ ] last\n');
  // The note goes on meanwhile.
  await actions.replace('Projects/A.md', '# Loans\n- [ ] first\n- [ ] between\n- [ ] last\n- [ ] new\n', 'Changed');
  const archive = (await texts(store))['Archive/2026.md'] ?? '';
  const [, b] = readNote('', archive).tasks;
  const line = b ? { path: 'Archive/2026.md', line: b.line, expected: b.raw } : null;
  const back = await broughtBackLines(store, line ? [line] : [], CONTEXT);
  if ('refused' in back) throw new Error(back.refused);
  expect(back.to).toEqual(['Projects/A.md']);
  expect(back.writes.find(({ path }) => path === 'Projects/A.md')?.content).toEqual({
    text: '# Loans\n- [ ] first\n- [ ] between\n- [x] b\n  - [x] step\n- [ ] last\n- [ ] new\n',
  });
  await actions.step('Brought back', () => Promise.resolve(back.writes));
  await store.steps.undo();
  await store.steps.undo();
  await store.steps.undo();
  expect(await texts(store)).toEqual({ 'Projects/A.md': BEFORE });
});

test('a note goes to the archive whole, links by its path follow, and it comes back with its bytes', async () => {
  const CATALOGUE = '---\nkind: project\nstate: done\n---\n- [x] Paper {done 2026-11-14}\n';
  const { store, actions, ready } = desk({ 'Projects/Catalogue.md': CATALOGUE, 'A.md': 'See [[Projects/Catalogue]] and [[Catalogue]].\n' });
  await ready;
  const away = archivedWhole(await store.all(), 'Projects/Catalogue.md', 20780);
  if ('refused' in away) throw new Error(away.refused);
  await actions.step('Archived', () => Promise.resolve(away.writes));
  expect(await texts(store)).toEqual({
    'Archive/Projects/Catalogue.md':
      '---\nkind: archive\nstate: done\nwas: project\nfrom: "[[Projects/Catalogue]]"\narchived: 2026-11-23\n---\n- [x] Paper {done 2026-11-14}\n',
    'A.md': 'See [[Archive/Projects/Catalogue]] and [[Catalogue]].\n',
  });
  const back = broughtBackWhole(await store.all(), away.path);
  if ('refused' in back) throw new Error(back.refused);
  await actions.step('Brought back', () => Promise.resolve(back.writes));
  expect(await texts(store)).toEqual({ 'Projects/Catalogue.md': CATALOGUE, 'A.md': 'See [[Projects/Catalogue]] and [[Catalogue]].\n' });
  expect(broughtBackWhole(await store.all(), 'A.md')).toEqual({ refused: 'Nothing says where this note lay, so nothing was changed.' });
});
