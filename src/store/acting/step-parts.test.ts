import fc from 'fast-check';
import { contentOf, markOf, sameContent } from '../notes/content';
import { command } from '../notes/origin';
import { mergeTexts } from '../texts/merge';
import { desk } from '../test-desk';
import { isPart, kept, wholeText } from './step-parts';
import { takenOut } from './taken-out';

const LINE = fc.constantFrom('- [ ] Water the palms', '- [ ] Book the lift', '', 'Note', '## Crates', '  - [ ] a step');
const TEXT = fc.array(LINE, { maxLength: 90 }).map((lines) => lines.join('\n'));
/** Some lines of a text put in the place of others. */
const EDIT = fc.record({
  at: fc.nat(89),
  gone: fc.nat(3),
  come: fc.array(fc.constantFrom('- [x] Done here', 'new words', ''), { maxLength: 3 }),
});

function edited(text: string, { at, gone, come }: { at: number; gone: number; come: string[] }): string {
  const lines = text.split('\n');
  lines.splice(Math.min(at, lines.length), gone, ...come);
  return lines.join('\n');
}

describe('what a step keeps of long texts', () => {
  it('is the part that changed, from which both texts come whole again', () => {
    fc.assert(
      fc.property(TEXT, EDIT, (text, edit) => {
        const next = edited(text, edit);
        const { before, after } = kept({ text }, { text: next }, 0);
        if (!before || !isPart(before) || !after || !isPart(after)) return expect(text + next).toBe('');
        expect(wholeText(before, next)).toBe(text);
        expect(wholeText(after, text)).toBe(next);
        expect(sameContent(before, { text })).toBe(true);
        expect(sameContent(after, { text: next })).toBe(true);
      }),
    );
  });

  it('is small beside the text', () => {
    const text = Array.from({ length: 5000 }, (_, index) => `- [ ] Label crate ${index}`).join('\n');
    const { before, after } = kept({ text }, { text: text.replace('- [ ] Label crate 2500\n', '- [x] Label crate 2500\n') });
    expect(JSON.stringify([before, after]).length).toBeLessThan(text.length / 40);
  });

  it('is all of a short text, and of what is no text', () => {
    expect(kept({ text: 'a' }, { text: 'b' })).toEqual({ before: { text: 'a' }, after: { text: 'b' } });
    expect(kept(null, { text: 'b'.repeat(9000) })).toEqual({ before: null, after: { text: 'b'.repeat(9000) } });
    const bytes = new Uint8Array(9000);
    expect(kept({ bytes }, { mark: 'm' })).toEqual({ before: { bytes }, after: { mark: 'm' } });
  });

  it('is taken out of a text that others changed far from it as the whole texts would be', () => {
    const lines = Array.from({ length: 300 }, (_, index) => (index % 7 === 0 ? '' : `- [ ] Crate ${index % 11}`));
    const far = fc.record({
      at: fc.nat(70),
      more: fc.array(fc.constantFrom('', '- [ ] Crate 3', 'other'), { minLength: 1, maxLength: 4 }),
    });
    fc.assert(
      fc.property(far, far, (above, below) => {
        const before = lines.join('\n');
        const after = [...lines.slice(0, 150), 'typed here', ...lines.slice(151)].join('\n');
        const present = [
          ...lines.slice(0, above.at),
          ...above.more,
          ...lines.slice(above.at, 150),
          'typed here',
          ...lines.slice(151, 220 + below.at),
          ...below.more,
          ...lines.slice(220 + below.at),
        ].join('\n');
        const parts = kept({ text: before }, { text: after }, 0);
        if (!isPart(parts.before) || !parts.after || !isPart(parts.after)) return expect(parts).toBeNull();
        expect(takenOut(parts.after, present, parts.before)).toBe(mergeTexts(after, present, before));
      }),
    );
  });

  it('is refused where the same lines were changed since', () => {
    const lines = Array.from({ length: 200 }, (_, index) => `- [ ] Crate ${index}`);
    const before = lines.join('\n');
    const after = before.replace('- [ ] Crate 100', '- [x] Crate 100');
    const present = before.replace('- [ ] Crate 100', '- [ ] Another crate');
    const parts = kept({ text: before }, { text: after }, 0);
    if (!isPart(parts.before) || !parts.after || !isPart(parts.after)) return expect(parts).toBeNull();
    expect(takenOut(parts.after, present, parts.before)).toBeNull();
  });
});

describe('Undo of a step in a long note', () => {
  const long = Array.from({ length: 600 }, (_, index) => `- [ ] Label crate ${index}`).join('\n');

  it('takes back its lines alone, also when others wrote above and below', async () => {
    const { store, db, ready } = desk({ 'Crates.md': long });
    await ready;
    const ticked = long.replace('- [ ] Label crate 300\n', '- [x] Label crate 300\n');
    await store.commit(command('Done: Label crate 300'), [{ path: 'Crates.md', expect: { text: long }, content: { text: ticked } }]);
    expect(JSON.stringify((await db.steps.toArray())[0]).length).toBeLessThan(4000);
    const theirs = `Counted twice\n${ticked}\nLast line`;
    await store.commit({ by: 'typing', label: null }, [{ path: 'Crates.md', expect: { text: ticked }, content: { text: theirs } }]);
    expect(await store.steps.undo()).toEqual({ undone: 'Done: Label crate 300' });
    expect(await store.text('Crates.md')).toBe(`Counted twice\n${long}\nLast line`);
    expect(await store.steps.redo()).toEqual({ redone: 'Done: Label crate 300' });
    expect(await store.text('Crates.md')).toBe(theirs);
    expect(await store.steps.undo()).toEqual({ undone: 'Done: Label crate 300' });
  });

  it('puts typing together over parts, and takes all of it back', async () => {
    const { store, ready } = desk({ 'Crates.md': long });
    await ready;
    let present = long;
    for (const word of ['one', 'two', 'three']) {
      const next = present.replace('crate 300', `crate ${word} 300`).replace(/crate \w+ (\w+ )?300/, `crate ${word} 300`);
      await store.commit({ by: 'typing', label: null }, [{ path: 'Crates.md', expect: { text: present }, content: { text: next } }]);
      await store.steps.recordTyping('Crates.md', { text: present }, { text: next }, true);
      present = next;
    }
    expect(await store.steps.undo()).toEqual({ undone: 'Typing in “Crates”' });
    expect(await store.text('Crates.md')).toBe(long);
    expect(await store.steps.undo()).toBeNull();
  });
});

it('a step finds its note by id where that was moved since, and leaves another alone that came to its path', async () => {
  const { store, actions, ready } = desk({ 'Crates.md': '- [ ] Label' });
  await ready;
  await store.commit(command('Done: Label'), [{ path: 'Crates.md', expect: { text: '- [ ] Label' }, content: { text: '- [x] Label' } }]);
  const step = (await store.steps.last())?.id ?? 0;
  await actions.rename('Crates.md', 'Boxes');
  await store.commit({ by: 'typing', label: null }, [{ path: 'Crates.md', expect: null, content: { text: '- [x] Label' } }]);
  expect(await store.steps.undoStep(step)).toEqual({ undone: 'Done: Label' });
  expect(await store.text('Boxes.md')).toBe('- [ ] Label');
  expect(await store.text('Crates.md')).toBe('- [x] Label');
  const note = await store.get('Boxes.md');
  expect(note && markOf(contentOf(note))).toBe(markOf({ text: '- [ ] Label' }));
});

it('who listens is told what made a note change', async () => {
  const { store, actions, ready } = desk({ 'A.md': '- [ ] a' });
  await ready;
  const told: string[] = [];
  store.listen({ stepped: ({ by }) => void told.push(`step ${by}`), changed: ([change]) => void told.push(change?.by ?? '') });
  await actions.act({ path: 'A.md', line: 0, expected: '- [ ] a' }, { do: 'status', status: 'done' }, 'Done: a');
  await store.steps.undo();
  await store.commit({ by: 'import', label: null }, [{ path: 'B.md', expect: null, content: { text: 'b' } }]);
  expect(told).toEqual(['step command', 'command', 'undo', 'import']);
});
