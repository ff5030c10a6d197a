import { readNote } from '../../task/reading/read-note';
import { writtenDigest } from './written-digest';

const TEXT = '---\nkind: meeting\ndate: 2026-11-23\nseries: Rounds\n---\n- Hinges come off {key}\n- [ ] Label the crates\n';
const write = (text: string, last: string | null) => writtenDigest({ path: 'B.md', text, series: [], last });

describe('writing the digest', () => {
  const first = write(TEXT, null);

  it('puts it at the end under its heading, with what the last one of the series left open', () => {
    expect(first.text).toBe(`${TEXT}\n## Digest\n\n${first.digest}\n`);
    const before = readNote('A.md', '---\nkind: meeting\ndate: 2026-11-16\nseries: rounds\n---\n- [ ] Crate keys\n');
    expect(writtenDigest({ path: 'B.md', text: TEXT, series: [before], last: null }).digest).toContain(
      '- Left from last time\n  - Crate keys',
    );
  });

  it('renewed without a change it is the same', () => expect(write(first.text, first.digest)).toEqual(first));

  it('renewed it takes up what is new, and keeps what a person changed or wrote into it', () => {
    const changed = first.text.replace('  - Hinges come off', '  - The hinges come off, says Kofi').replace(/\n$/, '\n- Thanks to all\n');
    const done = changed.replace('- [ ] Label the crates', '- [x] Label the crates {done 2026-11-24}');
    const { text } = write(done, first.digest);
    expect(text).toContain('  - The hinges come off, says Kofi\n');
    expect(text).toContain('  - Label the crates (done Tuesday 24 Nov 2026)\n');
    expect(text).toContain('- Thanks to all\n');
    expect(text).not.toContain('  - Hinges come off\n');
  });

  it('loses nothing where nobody knows what was written last', () => {
    const { text } = write(`${first.text}- Thanks to all\n`, null);
    expect(text).toContain('- Thanks to all');
  });

  it('leaves what stands behind it in the note', () => {
    const { text } = write(`${first.text}\n## Later\n\nmore\n`, first.digest);
    expect(text).toBe(`${first.text}\n## Later\n\nmore\n`);
  });
});
