import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { COMMANDS, conflictsOf, isKept, keysOf } from './definitions';
import { keyFrom } from './command';
import { writtenKey } from './written-key';

describe('the commands', () => {
  const keys = keysOf({});
  it('have ids and titles of their own, and keys that neither clash nor are kept by browsers', () => {
    expect(new Set(COMMANDS.map((command) => command.id)).size).toBe(COMMANDS.length);
    for (const { id, key } of COMMANDS) {
      expect([id, conflictsOf(id, key, keys).map((other) => other.id)]).toEqual([id, []]);
      if (key !== null) expect([id, isKept(key)]).toEqual([id, false]);
    }
  });

  it('leave the keys of the slips that ship alone', () => {
    const slips = path.resolve(__dirname, '../../../demo/Slips');
    for (const file of readdirSync(slips)) {
      const key = writtenKey(/^key: (.*)$/m.exec(readFileSync(path.join(slips, file), 'utf8'))?.[1] ?? '');
      expect([file, key === null ? [] : COMMANDS.filter((command) => command.key === key).map(({ id }) => id)]).toEqual([file, []]);
    }
  });

  it('none types a letter or an accent: letters need Ctrl, and nothing needs the key beside the space bar with a letter', () => {
    for (const { key } of COMMANDS)
      if (key !== null && /\+?.$/.test(key) && key.split('+').at(-1)?.length === 1) expect(key).toMatch(/^Mod\+/);
  });

  it('a key that a person gave counts, and an empty one takes it away', () => {
    const given = keysOf({ journal: 'F10', today: '' });
    expect([given.get('journal'), given.get('today'), given.get('rack')]).toEqual(['F10', null, 'F8']);
    expect(conflictsOf('journal', 'F8', given).map((other) => other.id)).toEqual(['rack']);
    expect(conflictsOf('row-plan', 'Mod+.', keys)).toEqual([]);
  });

  it.each([
    [{ key: 'K', ctrlKey: true, shiftKey: false, altKey: false, metaKey: false }, 'Mod+k'],
    [{ key: 'F8', ctrlKey: false, shiftKey: true, altKey: false, metaKey: false }, 'Shift+F8'],
    [{ key: ' ', ctrlKey: true, shiftKey: false, altKey: true, metaKey: false }, 'Mod+Alt+Space'],
    [{ key: '>', keyCode: 190, ctrlKey: true, shiftKey: true, altKey: false, metaKey: false }, 'Mod+Shift+.'],
    [{ key: ':', keyCode: 190, ctrlKey: true, shiftKey: true, altKey: false, metaKey: false }, 'Mod+Shift+.'],
    [{ key: '!', keyCode: 49, ctrlKey: false, shiftKey: true, altKey: true, metaKey: false }, 'Alt+Shift+1'],
    [{ key: 'É', keyCode: 50, ctrlKey: true, shiftKey: true, altKey: false, metaKey: false }, 'Mod+Shift+é'],
    [{ key: 'Control', ctrlKey: true, shiftKey: false, altKey: false, metaKey: false }, null],
  ])('%o is %s', (event, key) => expect(keyFrom(event as KeyboardEvent, false)).toBe(key));
});
