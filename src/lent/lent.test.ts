import { EditorState } from '@codemirror/state';
import { Awareness } from 'y-protocols/awareness';
import * as Y from 'yjs';
import { signOf } from '../core/task/line/status';
import { noteField, notePath } from '../features/editor/reading/note-field';
import { contextOf, settingsOf } from './lent-context';
import { narrowLines, narrowed, tagsIn } from './narrow-lines';
import { cleanPresence, colourOf, presentIn } from './presence';
import { plainText } from './take-lent';

describe('who is there', () => {
  it('is words and colours of ours, whatever was sent', () => {
    const awareness = new Awareness(new Y.Doc());
    const stop = cleanPresence(awareness);
    awareness.setLocalState({ user: { name: 'Lars' }, borrower: true });
    awareness.states.set(7, {
      user: { name: 'x'.repeat(500), color: 'red;background:url(//elsewhere)' },
      script: '<script>',
      cursor: 'no',
    });
    awareness.states.set(8, { owner: true, user: 5 });
    awareness.emit('change', [{ added: [7, 8], updated: [], removed: [] }, 'local']);
    expect(presentIn(awareness).map(({ name, isOwner, isSelf }) => [name.length > 10 ? name.length : name, isOwner, isSelf])).toEqual([
      ['Lars', false, true],
      [40, false, false],
      ['Somebody', true, false],
    ]);
    expect(awareness.states.get(7)).toEqual({ user: { name: 'x'.repeat(40), color: colourOf(7), colorLight: `${colourOf(7)}33` } });
    stop();
    awareness.destroy();
  });
});

describe('a text that is narrowed to a tag', () => {
  const TEXT = '# Loans #loans\n- [ ] Lens #crates\n  - [ ] Pack\n- [ ] Papers\n\n# Shop\n- [ ] Cards';
  const state = EditorState.create({ doc: TEXT, extensions: [notePath.of('Lent.md'), noteField, narrowLines] });
  const shown = (tag: string | null): string[] => {
    const next = state.update({ effects: narrowed.of(tag) }).state;
    const gone = new Set<number>();
    next.field(narrowLines).lines.between(0, next.doc.length, (from, to) => {
      for (let line = next.doc.lineAt(from).number; line <= next.doc.lineAt(to).number; line++) gone.add(line);
    });
    return TEXT.split('\n').filter((_, at) => !gone.has(at + 1));
  };

  it('shows what bears it, with what it stands in and what stands under it', () => {
    expect(shown('crates')).toEqual(['# Loans #loans', '- [ ] Lens #crates', '  - [ ] Pack']);
    expect(shown('loans')).toEqual(['# Loans #loans', '- [ ] Lens #crates', '  - [ ] Pack', '- [ ] Papers']);
    expect(shown(null)).toHaveLength(7);
  });

  it('offers the tags in it, the most used first', () => {
    expect(tagsIn(state)).toEqual(['loans', 'crates']);
  });
});

describe('what is taken along', () => {
  it('says in words what boxes and tails say', () => {
    expect(plainText(`# A\n- [x] Pack {done 2026-11-29; ref abc123}\n  - [${signOf('waiting')}] Ask\nWords\n- [ ] Weigh`)).toBe(
      '# A\n- done: Pack (done 2026-11-29; ref abc123)\n  - waiting: Ask\nWords\n- Weigh',
    );
  });
});

describe('the settings of its owner', () => {
  it('are taken where they read well, and no others', () => {
    expect(settingsOf({ workingDay: 360, dateStyle: 'odd', cycle: 5, me: 'bea' })).toMatchObject({ workingDay: 360, dateStyle: 'words' });
    expect(settingsOf('words')).toEqual(settingsOf({}));
    expect('me' in settingsOf({ me: 'bea' })).toBe(false);
    expect(contextOf(settingsOf({ repeatRecords: 'count' })).settings.repeatRecords).toBe('count');
  });
});
