import * as Y from 'yjs';
import type { ListedGather, ListedRow } from '../../core/formats/listed';
import { lentList } from '../../core/sharing/lend/lent-list';
import { desk } from '../test-desk';
import type { LentBranch, LentList } from './lent-branch';
import { ListInStep, type ListTick } from './list-in-step';

const NOTE = '# Secret plan\n- [ ] Lens {ref l3ns00; due 2026-12-04}\n  - [ ] Pack {needs l3ns00}\n- [ ] Glass {joined Team}\n';
const row = (line: number, steps: ListedRow[] = []): ListedRow => ({ what: 'task', path: 'Plan.md', noteTitle: 'Plan', line, steps });
const LISTS: ListedGather[] = [
  {
    title: 'Yours',
    groups: [
      { label: 'Soon', rows: [row(1, [row(2)])] },
      { label: 'None', rows: [] },
      { label: null, rows: [row(3)] },
    ],
  },
];

describe('what a list holds, as it is lent', () => {
  it('is its groups and tasks with their steps, without where they stand and what ties them', () => {
    const lines = lentList(LISTS, () => NOTE);
    expect(lines.map(({ words }) => words)).toEqual(['# Yours', '## Soon', '- [ ] Lens {due 2026-12-04}', '  - [ ] Pack', '- [ ] Glass']);
    expect(lines.map(({ row: one }) => one?.line ?? null)).toEqual([null, null, 1, 2, 3]);
  });

  it('leaves out what is gone, and of notes shows the title', () => {
    expect(lentList(LISTS, () => null)).toEqual([{ words: '# Yours', row: null }]);
    expect(lentList([{ title: null, groups: [{ label: null, rows: [{ ...row(0), what: 'note' }] }] }], () => '')).toEqual([
      { words: '- Plan', row: null },
    ]);
  });
});

describe('a list that is lent to be ticked', () => {
  async function setUp(rights: 'read' | 'tick') {
    const { store, ready } = desk({ 'Plan.md': NOTE });
    await ready;
    const branch: LentBranch & { what: LentList } = {
      ...{ name: 'list', address: 'a', key: 'k', title: 'Yours', who: '', rights, until: null, hasWord: false, since: 0 },
      ...{ text: '', state: Y.encodeStateAsUpdate(new Y.Doc()), gone: [], rows: [], trouble: null, ended: false, there: null, heard: 0 },
      what: { is: 'list', text: 'open', path: null },
    };
    await store.db.lent.put(branch);
    const acted: ListTick[] = [];
    let ids = 0;
    const shared = new Y.Doc();
    for (const [key, value] of Object.entries({ form: 'list', rights, rows: [], settings: {} })) shared.getMap('about').set(key, value);
    const host = {
      store,
      answer: () => Promise.resolve(LISTS),
      act: (ticks: readonly ListTick[]) => Promise.resolve((acted.push(...ticks), 1)),
      makeId: () => `id${ids++}`,
    };
    const list = new ListInStep(host, branch, shared);
    await list.look();
    const rows = () => (shared.getMap('about').get('rows') as (string | null)[]).filter((id) => id !== null);
    return { store, shared, list, acted, rows };
  }

  it('puts each tick onto its own line, once, and keeps the names of its rows', async () => {
    const { shared, list, acted, rows, store } = await setUp('tick');
    expect(rows()).toEqual(['id0', 'id1', 'id2']);
    shared.getMap('ticks').set('id1', { status: 'done', who: 'Noor', at: 5 });
    shared.getMap('ticks').set('made up', { status: 'done', who: 'Noor', at: 5 });
    shared.getMap('ticks').set('id2', { status: 'away', who: 'Noor', at: 5 });
    await list.look();
    expect(acted).toEqual([
      { ref: { path: 'Plan.md', line: 2, expected: '  - [ ] Pack {needs l3ns00}' }, status: 'done', who: 'Noor', at: 5 },
    ]);
    expect(shared.getMap('ticks').size).toBe(0);
    await list.look();
    expect(acted).toHaveLength(1);
    expect(rows()).toEqual(['id0', 'id1', 'id2']);
    expect((await store.db.lent.get('list'))?.rows).toHaveLength(3);
  });

  it('to read takes none', async () => {
    const { shared, list, acted } = await setUp('read');
    shared.getMap('ticks').set('id0', { status: 'done', who: 'Noor', at: 5 });
    await list.look();
    expect(acted).toEqual([]);
  });
});
