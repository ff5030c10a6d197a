import { readFrame } from '../../../core/note/facts/note-frame';
import { parseGather } from '../../../core/gather/language/parse';
import { NOTE_VIEWS, readNoteView, viewGathers } from './note-views';

test.each(NOTE_VIEWS.map(([view]) => view))('what a note asks for as %s can be read', (view) => {
  for (const text of viewGathers(view, readFrame('# Ideas "new"\n- [ ] a\n\n# Built #build\n\n# Ideas "new"\n')))
    expect(parseGather(text).errors).toEqual([]);
});

test('a board of headings has each of them once, in their order', () => {
  const [text = ''] = viewGathers('by-heading', readFrame('# Ideas\n\n## Built "twice"\n\n# Ideas\n\n- inside\n  ## no column\n'));
  expect(parseGather(text).gather.form).toEqual({ is: 'board', by: 'heading', columns: ['Ideas', 'Built "twice"'] });
});

test('an address names a view, or the text', () => {
  expect(readNoteView('by-day')).toBe('by-day');
  expect(readNoteView('plan')).toBeNull();
  expect(readNoteView(null)).toBeNull();
});
