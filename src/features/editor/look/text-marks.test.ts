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
    ['|', '- [ ] |', true, '- [ ] |'],
    ['words|', '- [ ] |', true, 'words\n- [ ] |'],
    ['  |', '## |', true, '  ## |'],
    ['- [ ] Pack|', ' {due |}', false, '- [ ] Pack {due |}'],
    ['a |b| c', '2026-11-23', false, 'a 2026-11-23| c'],
  ])('%s, and %s put in, is %s', (before, piece, block, wanted) => {
    expect(after(before, (view) => insertPiece(view, piece, block))).toBe(wanted);
  });
});
