import { DeviceMemory } from './device-memory';
import { Drafts } from '../texts/drafts';
import { claimTab } from './tab';
import { memoryStorage } from '../test-desk';

describe('what the browser keeps beside the notes', () => {
  it('lasts as long as the page where the storage is refused or full, and says so', () => {
    const refused = new DeviceMemory(() => {
      throw new Error('SecurityError');
    });
    expect(refused.get('a')).toBeNull();
    expect(refused.set('a', '1')).toBe(false);
    expect(refused.get('a')).toBe('1');
    expect(refused.keys('a')).toEqual(['a']);
    refused.remove('a');
    expect(refused.get('a')).toBeNull();
    expect(refused.refused).toBe(true);
    const storage = memoryStorage();
    const full = new DeviceMemory(() => storage);
    expect(full.set('a', '1')).toBe(true);
    storage.setItem = () => {
      throw new Error('QuotaExceededError');
    };
    expect(full.set('a', '2')).toBe(false);
    expect([full.get('a'), full.keys('')]).toEqual(['2', ['a']]);
  });

  it('says that a draft could not be kept', () => {
    const drafts = new Drafts(
      new DeviceMemory(() => {
        throw new Error('SecurityError');
      }),
      'tab',
      () => 0,
    );
    expect(drafts.keep('A.md', 'one', [])).toBe(false);
  });
});

describe('the name of a tab', () => {
  /** Locks as the browser has them, for the pages of one origin. */
  function locksOf() {
    const held = new Map<string, () => void>();
    const waiting: { name: string; grant: () => void }[] = [];
    const locks = {
      request: (name: string, { signal }: { signal: AbortSignal }, act: () => Promise<void>) =>
        new Promise<void>((_, reject) => {
          const grant = (): void => {
            held.set(name, () => undefined);
            void act();
          };
          if (!held.has(name)) return grant();
          waiting.push({ name, grant });
          signal.addEventListener('abort', () => reject(new Error('AbortError')));
        }),
      query: () => Promise.resolve({ held: [...held.keys()].map((name) => ({ name })), pending: [] }),
    } as unknown as LockManager;
    return { locks, release: (name: string) => held.delete(`recado tab ${name}`) };
  }

  it('stays after a reload, and is another one in a tab that was duplicated', async () => {
    const { locks, release } = locksOf();
    let count = 0;
    const make = (): string => `tab${++count}`;
    const storage = memoryStorage();
    const first = await claimTab(new DeviceMemory(() => storage), locks, make);
    expect(first.name).toBe('tab1');
    // A duplicate begins with what the first tab kept.
    const copy = memoryStorage();
    copy.setItem('recado tab', 'tab1');
    const second = await claimTab(new DeviceMemory(() => copy), locks, make);
    expect(second.name).toBe('tab2');
    expect([...((await second.open()) ?? [])].sort()).toEqual(['tab1', 'tab2']);
    release('tab1');
    expect((await claimTab(new DeviceMemory(() => storage), locks, make)).name).toBe('tab1');
  });

  it('is there without locks too, but then nobody knows which tabs are open', async () => {
    const tab = await claimTab(new DeviceMemory(memoryStorage), undefined, () => 'alone');
    expect([tab.name, await tab.open()]).toEqual(['alone', null]);
  });
});
