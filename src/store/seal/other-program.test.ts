import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { TYPING } from '../notes/origin';
import { debianProgram } from '../../core/testing/test-program';
import { sealedDesk } from './test-seals';

// The reference implementation of the format (age-encryption.org/v1), as Debian packs it; where it cannot be had the tests are skipped.
const age = debianProgram('age', 'age');
const folder = mkdtempSync(path.join(tmpdir(), 'recado-age-'));
const at = (name: string): string => path.join(folder, name);

/** Runs age where it asks for a passphrase, which it reads of a terminal alone. */
const withTerminal = (command: string, typed: string): string =>
  execFileSync('script', ['-qec', command, '/dev/null'], { input: `${typed}\n`, encoding: 'utf8', timeout: 60_000 });

(age === null ? describe.skip : describe)('with another program of the format', () => {
  it('the key opens by its passphrase, and a sealed note by the key', async () => {
    const { store, seals, seal } = await sealedDesk({ 'Diary.md': 'violet seeds\r\n- [ ] water the quince {due 2026-11-27}' }, 'shown');
    await seals.seal(seal, ['Diary.md']);
    writeFileSync(at('key.age'), seal.key);
    writeFileSync(at('Diary.md.age'), (await store.kept.get('Diary.md.age'))?.bytes ?? '');
    withTerminal(`${age} -d -o ${at('key.txt')} ${at('key.age')}`, 'salt and oak');
    expect(readFileSync(at('key.txt'), 'utf8')).toContain(`# public key: ${seal.to}\nAGE-SECRET-KEY-1`);
    expect(execFileSync(age ?? '', ['-d', '-i', at('key.txt'), at('Diary.md.age')], { encoding: 'utf8' })).toBe(
      'violet seeds\r\n- [ ] water the quince {due 2026-11-27}',
    );
    // In one step, as docs/sealed.md has it.
    withTerminal(`${age} -d -i ${at('key.age')} -o ${at('Diary.md')} ${at('Diary.md.age')}`, 'salt and oak');
    expect(readFileSync(at('Diary.md'), 'utf8')).toContain('quince');
    expect(() => withTerminal(`${age} -d -o ${at('no.txt')} ${at('key.age')}`, 'salt and elm')).toThrow();
  });

  it('what it makes for a seal is opened here, as bytes and as letters', async () => {
    const { store, seal } = await sealedDesk({}, 'shown');
    writeFileSync(at('Letter.md'), 'from another program');
    for (const [name, more] of [
      ['Letter.md.age', []],
      ['Letters.md.age', ['-a']],
    ] as const) {
      execFileSync(age ?? '', [...more, '-r', seal.to, '-o', at(name), at('Letter.md')]);
      await store.kept.commit(TYPING, [{ path: name, expect: null, content: { bytes: new Uint8Array(readFileSync(at(name))) } }]);
      expect(await store.text(name)).toBe('from another program');
    }
  });
});
