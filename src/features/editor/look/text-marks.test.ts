import { insertPiece, nextHeading, toggleMark } from './text-marks';
import { markedText, testView } from '../test-view';

const after = (marked: string, command: (view: ReturnType<typeof testView>) => unknown): string => {
  const view = testView(marked);
  command(view);
  return markedText(view);
};

describe('emphasis', () => {
  it.each([
    ['the |tide| clock', '**', 'the **|tide|** clock'],
    ['the ti|de clock', '**', 'the **|tide|** clock'],
    ['the **|tide|** clock', '**', 'the |tide| clock'],
    ['the |tide| clock', '~~', 'the ~~|tide|~~ clock'],
    ['the ~~|tide|~~ clock', '~~', 'the |tide| clock'],
    ['a `|b|`', '`', 'a |b|'],
    ['|', '**', '**|**'],
  ])('%s with %s is %s', (before, sign, wanted) => {
    expect(after(before, (view) => toggleMark(view, sign))).toBe(wanted);
  });

  // CommonMark 0.31.2 §6.2: one star is emphasis, two are strong emphasis, three are both.
  it.each([
    ['**|bold|**', '*', '***|bold|***'],
    ['***|both|***', '*', '**|both|**'],
    ['***|both|***', '**', '*|both|*'],
    ['*|italic|*', '**', '***|italic|***'],
    ['*|italic|*', '*', '|italic|'],
  ])('one kind stands inside another: %s with %s is %s', (before, sign, wanted) => {
    expect(after(before, (view) => toggleMark(view, sign))).toBe(wanted);
  });

  it('given twice leaves the text as it was', () => {
    for (const sign of ['*', '**', '~~', '`'])
      for (const text of ['a |word| b', '|', 'x**|y|**', '***|z|***']) {
        const twice = after(text, (view) => {
          toggleMark(view, sign);
          toggleMark(view, sign);
        });
        expect(twice.replaceAll('|', '')).toBe(text.replaceAll('|', ''));
      }
  });
});

describe('headings and pieces', () => {
  it('a line goes a level deeper each time, and is plain again behind the fourth', () => {
    const view = testView('Lo|ans');
    const seen = Array.from({ length: 5 }, () => {
      nextHeading(view);
      return view.state.doc.toString();
    });
    expect(seen).toEqual(['# Loans', '## Loans', '### Loans', '#### Loans', 'Loans']);
  });

  it.each([
    ['|', { before: '- [ ] ' }, '- [ ] |'],
    ['words|', { before: '- [ ] ' }, 'words\n- [ ] |'],
    ['  |', { before: '## ' }, '  ## |'],
    ['- [ ] Pack|', { before: ' {due ', behind: '}', isInline: true }, '- [ ] Pack {due |}'],
    ['a |b| c', { before: '2026-11-23', isInline: true }, 'a 2026-11-23| c'],
  ])('%s, and %j put in, is %s', (before, piece, wanted) => {
    expect(after(before, (view) => insertPiece(view, piece))).toBe(wanted);
  });

  it('what is put in keeps every sign of its own, bars too', () => {
    const view = testView('|');
    insertPiece(view, { before: '| ', behind: '| |\n| --- | --- |\n' });
    expect(view.state.doc.toString()).toBe('| | |\n| --- | --- |\n');
    expect(view.state.selection.main.head).toBe(2);
  });
});
