import { decorateLine } from './decorate-line';
import { testView } from '../test-view';

interface Spec {
  class?: string;
  attributes?: { style?: string; title?: string };
  widget?: object;
}

/** What stands over a line (from 0) of a text, without the direction that every line has; with the cursor at a column of it. */
function over(text: string, line: number, column: number | null = null): string[] {
  const view = testView('');
  view.dispatch({ changes: { from: 0, insert: text } });
  const place = view.state.doc.line(line + 1);
  if (column !== null) view.dispatch({ selection: { anchor: place.from + column } });
  return decorateLine(view, place, new Set(column === null ? [] : [line])).flatMap(({ from, to, value }) => {
    const spec = value.spec as Spec;
    const words = view.state.sliceDoc(from, to);
    if (spec.widget) return [`${spec.widget.constructor.name} for “${words}”`];
    if (spec.class !== undefined)
      return [`${spec.class}${spec.attributes?.style === undefined ? '' : ` ${spec.attributes.style}`}${from === to ? '' : `: ${words}`}`];
    return from === to ? [] : [`hidden “${words}”`];
  });
}

describe('what stands over a line', () => {
  it('a task has its mark in the place of its box and its tail as chips', () => {
    expect(over('- [ ] Weigh @ilse #loans {due 2026-11-27}', 0)).toEqual([
      'cm-item cm-task-line --depth:0',
      'MarkWidget for “- [ ] ”',
      'ChipsWidget for “{due 2026-11-27}”',
      'name-person cm-name: @ilse',
      'name-tag cm-name: #loans',
    ]);
  });

  it('with the cursor in its words only its tail opens: the words keep their place', () => {
    expect(over('- [ ] Weigh {due 2026-02-31}', 0, 8)).toEqual([
      'cm-problem: due 2026-02-31',
      'DetailsWidget for “”',
      'ProblemsWidget for “”',
      'cm-item cm-task-line --depth:0',
      'MarkWidget for “- [ ] ”',
    ]);
    expect(over('- [ ] Weigh', 0, 6)).toEqual(['DetailsWidget for “”', 'cm-item cm-task-line --depth:0', 'MarkWidget for “- [ ] ”']);
    expect(over('  - [ ] Weigh', 0, 8)).toContain('hidden “  ”');
  });

  it('with the cursor in its box it is its text', () => {
    expect(over('- [ ] Weigh', 0, 4)).toEqual(['DetailsWidget for “”', 'cm-raw-line cm-task-line']);
    expect(over('- a', 0, 1)).toEqual(['cm-raw-line']);
    expect(over('- a', 0, 2)).toEqual(['cm-item --depth:0', 'BulletWidget for “-”']);
    expect(over('- ', 0, 2)).toEqual(['cm-item --depth:0', 'BulletWidget for “-”']);
    expect(over('## Loans', 0, 1)).toEqual(['cm-heading cm-heading-2']);
    expect(over('## Loans', 0, 3)).toEqual(['cm-heading cm-heading-2', 'hidden “## ”']);
  });

  it('a finished task is struck through up to its tail', () => {
    expect(over('- [x] Weigh it {done 2026-11-20}', 0)).toContain('closed-text: Weigh it');
  });

  it('an item has a bullet, and what is a step stands further in', () => {
    expect(over('- a\n  - b', 1)).toEqual(['cm-item --depth:1', 'hidden “  ”', 'BulletWidget for “-”']);
    expect(over('1. a', 0)).toEqual(['cm-item --depth:0']);
    expect(over('- a {key}', 0)).toEqual(['cm-item --depth:0', 'ChipsWidget for “{key}”', 'BulletWidget for “-”']);
  });

  it('signs around words are out of sight while the cursor is elsewhere; in code they are what they are', () => {
    const looks = (text: string): string[] => over(text, 0).filter((one) => !one.startsWith('cm-md'));
    expect(looks('see *Settings* now')).toEqual(['hidden “*”', 'cm-slanted: Settings', 'hidden “*”']);
    expect(looks('type `a *b* **c**` now')).toEqual(['hidden “`”', 'cm-code: a *b* **c**', 'hidden “`”']);
    expect(looks('**a** *b*')).toEqual(['hidden “**”', 'cm-bold: a', 'hidden “**”', 'hidden “*”', 'cm-slanted: b', 'hidden “*”']);
    for (const text of ['2 * 3 * 4', 'a `` b', '* a *', '**', '\\*a*', '`'])
      expect(looks(text).filter((one) => one.startsWith('hidden'))).toEqual([]);
  });

  it('plain text under an item stands below its words, until the cursor is in it', () => {
    const text = '- a\n  - [ ] b\n    words **bold**\n  - c\n    more\n\nplain';
    expect(over(text, 2)).toEqual(['cm-under cm-under-task --depth:1', 'hidden “    ”', 'hidden “**”', 'cm-bold: bold', 'hidden “**”']);
    expect(over(text, 4)).toEqual(['cm-under --depth:1', 'hidden “    ”']);
    expect(over(text, 2, 2)).toContain('cm-raw-line');
    // Signs around words show while the cursor is in them.
    expect(over(text, 2, 12)).toEqual(['cm-under cm-under-task --depth:1', 'hidden “    ”']);
    expect(over(text, 2, 5)).toContain('cm-bold: bold');
    expect(over(text, 6)).toEqual([]);
  });

  it('a heading loses its sign, a quote and a table have their look, code has its own alone', () => {
    expect(over('## Loans #loans', 0)).toEqual(['cm-heading cm-heading-2', 'hidden “## ”', 'name-tag cm-name: #loans']);
    expect(over('> said', 0)).toEqual(['cm-quote-line']);
    expect(over('| a | b |', 0)).toEqual(['cm-table-line']);
    expect(over('```\n- [ ] a {due fri}\n```', 1)).toEqual(['cm-code-line']);
    expect(over('---\nkind: note\n---\nx', 1)).toEqual(['cm-code-line']);
  });

  it('links and addresses are marked where they stand', () => {
    expect(over('see [[Crates]] and https://sea.example/a.', 0)).toEqual([
      'name-link cm-name: [[Crates]]',
      'cm-url: https://sea.example/a',
    ]);
  });

  it('a line nobody can read is left alone, however long', () => {
    expect(over(`- ${'#a '.repeat(8_000)}`, 0)).toEqual(['cm-item --depth:0', 'BulletWidget for “-”']);
  });
});
