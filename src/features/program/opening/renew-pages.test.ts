import { readFileSync } from 'node:fs';
import path from 'node:path';
import { SHIPPED_PAGES } from '../../../core/agenda/shipped';
import { tabOn } from '../../../store/test-desk';
import { SHIPPED_MEMORY, readShippedMemory, renewAgendaPages, settleOffer } from './renew-pages';
import { command, TYPING } from '../../../store/notes/origin';

const TODAY = 'Agenda/Today.md';
const NOW = SHIPPED_PAGES.find((page) => page.path === TODAY)?.text ?? '';
/** The text with which Today shipped first. */
const FIRST = readFileSync(path.join(__dirname, 'fixtures/today-first.md'), 'utf8');

let count = 0;
async function desk(text: string | null) {
  const { store } = tabOn(`renew ${count++}`);
  if (text !== null) await store.commit(TYPING, [{ path: TODAY, expect: null, content: { text } }]);
  const offers = async (): Promise<string[]> => readShippedMemory(await store.value(SHIPPED_MEMORY)).offers;
  return { store, offers };
}

it('a page that nobody changed is renewed, and no step of Undo is made of it', async () => {
  const { store, offers } = await desk(FIRST);
  await renewAgendaPages(store);
  expect(await store.text(TODAY)).toBe(NOW);
  expect(await store.steps.last()).toBeNull();
  expect(await offers()).toEqual([]);
});

it('a changed page stays and offers the new text until that is settled; it is not offered twice', async () => {
  const { store, offers } = await desk(`${FIRST}\nMine.\n`);
  await renewAgendaPages(store);
  expect(await store.text(TODAY)).toBe(`${FIRST}\nMine.\n`);
  expect(await offers()).toEqual([TODAY]);
  await settleOffer(store, TODAY);
  await renewAgendaPages(store);
  expect(await offers()).toEqual([]);
});

it('what is changed after it shipped is one’s own: nothing is offered', async () => {
  const { store, offers } = await desk(NOW);
  await renewAgendaPages(store);
  const note = await store.get(TODAY);
  await store.commit(command('mine'), [{ path: TODAY, expect: note && { text: note.text ?? '' }, content: { text: 'mine' } }]);
  await renewAgendaPages(store);
  expect(await store.text(TODAY)).toBe('mine');
  expect(await offers()).toEqual([]);
});

it('a page that was deleted stays away', async () => {
  const { store, offers } = await desk(null);
  await renewAgendaPages(store);
  expect(await store.text(TODAY)).toBeNull();
  expect(await offers()).toEqual([]);
});

it('reads what is kept, whatever it is', () => {
  for (const value of [undefined, null, 'x', { signs: 3, offers: {} }, { signs: { a: 1 }, offers: [2] }])
    expect(readShippedMemory(value)).toEqual({ signs: {}, offers: [] });
});

it('what never shipped before comes; deleted, it stays away', async () => {
  const { store } = await desk(FIRST);
  await renewAgendaPages(store);
  const foot = 'Agenda/Feet/Foot of a person.md';
  expect(await store.text(foot)).toContain('foot: person');
  const note = await store.get(foot);
  await store.commit(command('away'), [{ path: foot, expect: note && { text: note.text ?? '' }, content: null }]);
  await renewAgendaPages(store);
  expect(await store.text(foot)).toBeNull();
});
