import fc from 'fast-check';
import { desk } from '../test-desk';
import { LENT } from '../notes/origin';
import { mergeTexts, mergeTogether } from './merge';
import { runs } from '../../core/testing/test-runs';

describe('two who write in one place and see each other', () => {
  it.each([
    ['Pack', 'Pack it', 'Pack now', 'Pack now it'],
    ['Pack it', 'Pack it well', 'Soon pack it', 'Soon pack it well'],
    ['- [ ] Pack it', '- [x] Pack it', '- [ ] Pack it twice', '- [x] Pack it twice'],
    ['a b c', 'a c', 'a b x c', 'a x c'],
    ['a b c', 'c', 'a b', ''],
    ['one\ntwo\nthree', 'one\ntwo mine\nthree', 'zero\none\ntwo theirs\nthree\nfour', 'zero\none\ntwo theirs mine\nthree\nfour'],
    ['', 'mine', 'theirs', 'theirsmine'],
    // Each in several places, among each other: nothing stands there twice.
    ['one\ntwo\nthree', 'one mine\ntwo\nthree mine', 'one\ntwo theirs\nthree theirs', 'one mine\ntwo theirs\nthree theirs mine'],
    [
      '- [ ] Pack it {ref k3f9qa}',
      '- [ ] Pack it well {ref k3f9qa}',
      '- [x] Pack it {ref k3f9qa; done 2026-11-23}',
      '- [x] Pack it well {ref k3f9qa; done 2026-11-23}',
    ],
  ])('%j, %j and %j come to %j', (base, mine, theirs, wanted) => expect(mergeTogether(base, mine, theirs)).toBe(wanted));

  it('lose no letter that either put in, and it is the merge by lines where that can be done', () => {
    // Of lines that differ: where several are equal, which of them was meant nobody can say.
    const text = fc
      .uniqueArray(fc.constantFrom('pack it', '- [ ] weigh it', 'now', 'a b c', '  - one'), { maxLength: 5 })
      .map((lines) => lines.join('\n'));
    const typed = (base: string, at: number, word: string): string =>
      base.slice(0, at % (base.length + 1)) + word + base.slice(at % (base.length + 1));
    fc.assert(
      fc.property(text, fc.nat(), fc.nat(), (base, one, other) => {
        const [mine, theirs] = [typed(base, one, 'MINE'), typed(base, other, 'THEIRS')];
        const both = mergeTogether(base, mine, theirs);
        expect(both).toContain('MINE');
        expect(both).toContain('THEIRS');
        expect(both.replace('MINE', '').replace('THEIRS', '')).toBe(base);
        const byLines = mergeTexts(base, mine, theirs);
        if (byLines !== null) expect(both).toBe(byLines);
      }),
      { numRuns: runs(500) },
    );
  });

  it('have no other text beside the note: what is being typed stands with what came', async () => {
    const { store, ready, edit, openTexts, apart } = desk({ 'A.md': '- [ ] Pack it\n- [ ] Weigh it\n' });
    await ready;
    openTexts.together = new Set(['a.md']);
    const editor = await edit('A.md');
    editor.type(' well', 0);
    const before = { text: (await store.text('A.md')) ?? '' };
    await store.commit(LENT, [{ path: 'A.md', expect: before, content: { text: '- [ ] Pack it now\n- [ ] Weigh it\n' } }]);
    await editor.text.save();
    expect(await store.text('A.md')).toBe('- [ ] Pack it now well\n- [ ] Weigh it\n');
    expect(editor.surface.text()).toBe('- [ ] Pack it now well\n- [ ] Weigh it\n');
    expect(apart).toEqual([]);
    expect((await store.all()).map(({ path }) => path)).toEqual(['A.md']);
    await editor.leave();
  });
});
