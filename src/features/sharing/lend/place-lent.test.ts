import * as Y from 'yjs';
import { lentText } from '../../../core/sharing/lend/lent-lines';
import { TYPING } from '../../../store/notes/origin';
import { lendPart } from '../../../store/lending/test-lending';
import { desk } from '../../../store/test-desk';
import type { AskedLending } from '../../session/acting/task-dialog';
import { keepApart } from './keep-apart';
import { placeLent } from './place-lent';

const PATH = 'Loans.md';
const NOTE = [
  '---',
  'title: Loans',
  '---',
  '# Lighthouse',
  '- [ ] Lens #crates',
  '  - [ ] Pack it',
  '- A plain item',
  '  under it',
  '',
  'Words.',
  '',
].join('\n');

async function setUp() {
  const { store, actions, openTexts: texts, ready } = desk({ [PATH]: NOTE });
  await ready;
  const place = (asked: AskedLending) => placeLent({ store, actions, texts }, asked);
  /** The lines that would be lent, as they are sent. */
  const words = async (asked: AskedLending): Promise<string> => {
    const placed = await place(asked);
    if ('refused' in placed) return placed.refused;
    return placed.what.is === 'part' ? lentText(placed.text, placed.what.part) : placed.what.text;
  };
  return { store, actions, place, words };
}

const line = (at: number): AskedLending => ({
  what: 'line',
  ref: { path: PATH, line: at, expected: NOTE.split('\n')[at] ?? 'gone' },
  title: '',
});

describe('what is to be lent', () => {
  it('is the task at the cursor with all under it, marked so that it is found again', async () => {
    const { store, place, words } = await setUp();
    expect(await words(line(4))).toBe('- [ ] Lens #crates\n  - [ ] Pack it');
    expect(await store.text(PATH)).toContain('- [ ] Lens #crates {ref k3f9qa}');
    // Twice in a row it is the same one, marked once.
    const again = await place({ what: 'line', ref: { path: PATH, line: 4, expected: '- [ ] Lens #crates {ref k3f9qa}' }, title: '' });
    expect(again).toMatchObject({ what: { ref: 'k3f9qa', path: PATH } });
    expect((await store.text(PATH))?.match(/ref /g)).toHaveLength(1);
  });

  it('is else the item or the section that begins there, and nothing else', async () => {
    const { store, words } = await setUp();
    expect(await words(line(6))).toBe('- A plain item\n  under it');
    expect(await words(line(3))).toContain('# Lighthouse\n- [ ] Lens #crates');
    expect(await words(line(9))).toBe('Only an item, a heading or a note can be lent.');
    expect(await words(line(400))).toBe('That line is no longer there, so nothing was lent.');
    expect(await store.text(PATH)).toBe(NOTE);
  });

  it('is a whole note without its front matter, or a list as it is asked for', async () => {
    const { words } = await setUp();
    expect(await words({ what: 'note', path: PATH, title: '' })).toBe(NOTE.split('\n').slice(3).join('\n').trimEnd());
    expect(await words({ what: 'list', text: 'status todo', at: null, title: '' })).toBe('status todo');
    expect(await words({ what: 'note', path: 'Gone.md', title: '' })).toBe('The note is no longer there.');
  });

  it('is a row of a list, wherever its line is now; never the line that came to stand there', async () => {
    const { store, words } = await setUp();
    const ref = { path: PATH, line: 4, expected: '- [ ] Lens #crates' };
    await store.commit(TYPING, [
      { path: PATH, expect: { text: NOTE }, content: { text: NOTE.replace('- [ ] Lens', '- [ ] Salaries\n- [ ] Lens') } },
    ]);
    expect(await words({ what: 'task', ref, title: '' })).toBe('- [ ] Lens #crates\n  - [ ] Pack it');
    // So is what is at the cursor: lines may come above it while one chooses how to lend it.
    expect(await words(line(6))).toBe('- A plain item\n  under it');
    const now = (await store.text(PATH)) ?? '';
    await store.commit(TYPING, [{ path: PATH, expect: { text: now }, content: { text: now.replace(/- \[ \] Lens.*/, '- [ ] Another') } }]);
    expect(await words({ what: 'task', ref, title: '' })).toMatch(/^That line is no longer there, so nothing was changed/);
    expect(await store.text(PATH)).not.toContain('{ref');
  });

  it('is nothing where the notes are only read', async () => {
    const { store, words } = await setUp();
    Object.defineProperty(store.db, 'onlyRead', { value: true });
    expect(await words(line(4))).toMatch(/^These notes are only read here/);
    expect(await store.text(PATH)).toBe(NOTE);
  });
});

describe('what is lent and whose lines are gone', () => {
  it('becomes a note of its own: what both agreed on last, and from then on the whole note', async () => {
    const { store, actions } = await setUp();
    const { name, state } = await lendPart(store, 'lens', PATH, 4, 'item', null);
    await store.db.lent.update(name, { trouble: 'gone' });
    const path = await keepApart({ store, actions }, name);
    const doc = new Y.Doc();
    Y.applyUpdate(doc, state);
    const text = (await store.text(path ?? '')) ?? '';
    expect(text.trimEnd()).toContain(doc.getText('text').toString());
    expect(await store.db.lent.get(name)).toMatchObject({ trouble: null, text, what: { is: 'part', path, part: { kind: 'note' } } });
    expect(await store.text(PATH)).toBe(NOTE);
    expect(await keepApart({ store, actions }, 'another')).toBeNull();
  });
});
