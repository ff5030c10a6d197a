import * as Y from 'yjs';
import { LENT_LARGEST } from '../../core/sharing/lend/lent-messages';
import { partAt } from '../../core/sharing/lend/lent-part';
import { TYPING } from '../notes/origin';
import { desk } from '../test-desk';
import { callBack, lend, lendOtherwise } from './lend';
import type { LendingServer, LendingWish } from './lending-server';
import { MemoryLending } from './test-lending';

const NOTE = '# Loan\n- [ ] Lens {ref l3ns00}\n  - [ ] Pack it\n';
const NOW = Date.parse('2026-11-23T09:20:00Z');

function setUp() {
  const { store } = desk();
  const asked: { name: string; wish: LendingWish }[] = [];
  let answer: () => Promise<string | null> = () => Promise.resolve(null);
  const server: LendingServer = {
    ...new MemoryLending().server,
    lend: ({ name }, wish) => {
      asked.push({ name, wish });
      return answer();
    },
  };
  const part = partAt(NOTE, 1, 'item');
  if (!part) throw new Error('no item begins there');
  const what = { is: 'part' as const, note: 'n', path: 'Loans.md', part, ref: 'l3ns00' };
  const terms = { what, text: NOTE, title: 'Lens', who: 'Lars', rights: 'write' as const, until: null, word: null };
  return { store, server, asked, terms, answers: (next: () => Promise<string | null>) => void (answer = next) };
}

describe('what is lent', () => {
  it('is told to the server first, which learns the digest of an address and nothing of its text', async () => {
    const { store, server, asked, terms } = setUp();
    const branch = await lend(store, server, { ...terms, word: 'Fresnel' }, NOW);
    if ('refused' in branch) throw new Error(branch.refused);
    // FIPS 180-4: the digest of SHA-256 has 256 bits; the address has 128 in base64url, RFC 4648.
    expect(branch.name).toMatch(/^[0-9a-f]{64}$/);
    expect(branch.address).toMatch(/^[\w-]{22}$/);
    expect(branch.key).toMatch(/^[\w-]{22}$/);
    const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(branch.address));
    expect(Buffer.from(digest).toString('hex')).toBe(branch.name);
    expect(asked).toEqual([{ name: branch.name, wish: { rights: 'write', until: null, word: 'Fresnel' } }]);
    const doc = new Y.Doc();
    Y.applyUpdate(doc, branch.state);
    expect(doc.getText('text').toString()).toBe('- [ ] Lens\n  - [ ] Pack it');
    expect(await store.db.lent.toArray()).toMatchObject([{ name: branch.name, who: 'Lars', hasWord: true, since: NOW, ended: false }]);
  });

  it('twice has two addresses, and calling one of them back leaves the other', async () => {
    const { store, server, terms } = setUp();
    const [one, other] = [await lend(store, server, terms, NOW), await lend(store, server, terms, NOW)];
    if ('refused' in one || 'refused' in other) throw new Error('refused');
    expect(one.address).not.toBe(other.address);
    expect(await callBack(store, server, one.name)).toBe(true);
    expect(await store.db.lent.get(one.name)).toMatchObject({ ended: true });
    expect(await store.db.lent.get(other.name)).toMatchObject({ ended: false });
  });

  it('is nothing where the server refuses it, cannot be reached, or it is too long', async () => {
    const { store, server, asked, terms, answers } = setUp();
    answers(() => Promise.resolve('Too many are lent.'));
    expect(await lend(store, server, terms, NOW)).toEqual({ refused: 'Too many are lent.' });
    answers(() => Promise.reject(new TypeError('Failed to fetch')));
    await expect(lend(store, server, terms, NOW)).rejects.toThrow('Failed to fetch');
    const long = `${NOTE}  - [ ] ${'ü'.repeat(LENT_LARGEST / 2)}\n`;
    const part = partAt(long, 1, 'item');
    if (!part) throw new Error('no item begins there');
    answers(() => Promise.resolve(null));
    expect(await lend(store, server, { ...terms, what: { ...terms.what, part }, text: long }, NOW)).toHaveProperty('refused');
    expect(asked).toHaveLength(2);
    expect(await store.db.lent.count()).toBe(0);
  });

  it('is what stood there when it was found, whatever came above it since', async () => {
    const { store, server, terms } = setUp();
    await store.commit(TYPING, [{ path: 'Loans.md', expect: null, content: { text: `# Secret\nWords\nMore\n${NOTE}` } }]);
    const branch = await lend(store, server, terms, NOW);
    if ('refused' in branch) throw new Error(branch.refused);
    const doc = new Y.Doc();
    Y.applyUpdate(doc, branch.state);
    expect(doc.getText('text').toString()).toBe('- [ ] Lens\n  - [ ] Pack it');
    expect(branch.text).toBe(NOTE);
  });
});

describe('how it is lent', () => {
  it('is changed on both sides, and its word only where that is said', async () => {
    const { store, server, asked, terms } = setUp();
    const branch = await lend(store, server, { ...terms, word: 'Fresnel' }, NOW);
    if ('refused' in branch) throw new Error(branch.refused);
    const { name } = branch;
    const until = NOW + 86_400_000;
    expect(await lendOtherwise(store, server, name, { rights: 'read', until, who: 'Noor' })).toBeNull();
    expect(asked.at(-1)?.wish).toEqual({ rights: 'read', until });
    expect(await store.db.lent.get(name)).toMatchObject({ rights: 'read', until, who: 'Noor', hasWord: true });
    expect(await lendOtherwise(store, server, name, { rights: 'read', until, who: 'Noor', word: null })).toBeNull();
    expect(asked.at(-1)?.wish).toEqual({ rights: 'read', until, word: null });
    expect(await store.db.lent.get(name)).toMatchObject({ hasWord: false });
  });

  it('stays as it was here where the server refuses it, and is nothing where it was called back', async () => {
    const { store, server, terms, answers } = setUp();
    const branch = await lend(store, server, terms, NOW);
    if ('refused' in branch) throw new Error(branch.refused);
    answers(() => Promise.resolve('That day is over.'));
    const change = { rights: 'read' as const, until: 1, who: 'Noor' };
    expect(await lendOtherwise(store, server, branch.name, change)).toBe('That day is over.');
    expect(await store.db.lent.get(branch.name)).toMatchObject({ rights: 'write', until: null, who: 'Lars' });
    expect(await lendOtherwise(store, server, 'another', change)).toBe('It is lent no more.');
  });

  it('is called back here also where the server is away, twice is once', async () => {
    const { store, server, asked, terms, answers } = setUp();
    const branch = await lend(store, server, terms, NOW);
    if ('refused' in branch) throw new Error(branch.refused);
    answers(() => Promise.reject(new TypeError('Failed to fetch')));
    expect(await callBack(store, server, branch.name)).toBe(false);
    expect(await store.db.lent.get(branch.name)).toMatchObject({ ended: true });
    answers(() => Promise.resolve(null));
    expect(await callBack(store, server, branch.name)).toBe(true);
    expect(asked.at(-1)?.wish).toMatchObject({ ended: true });
    await store.db.lent.delete(branch.name);
    expect(await callBack(store, server, branch.name)).toBe(true);
    expect(asked).toHaveLength(3);
  });
});
