import { Library } from '../../index/library';
import { parseGather } from '../language/parse';
import { printGather } from '../saying/print';

const SETTINGS = { today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;

function libraryOf(notes: Record<string, string>): Library {
  const library = new Library(SETTINGS);
  library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return library;
}

const round = (date: string, series: string, more = ''): string =>
  `---\nkind: meeting\ndate: ${date}\nseries: ${series}\n${more}---\n- [ ] task of ${date}\n`;

describe('asking by the series of meetings', () => {
  const library = libraryOf({
    'A.md': round('2026-11-09', 'Registrar meetings'),
    'B.md': round('2026-11-16', 'REGISTRAR meetings', 'room: blue room\nform: call\n'),
    'C.md': round('2026-11-16', 'Others', 'room: [attic, blue room]\n'),
    'D.md': '---\nkind: meeting\ndate: 2026-11-17\n---\n- [ ] alone\n',
    'E.md': '---\nkind: project\nseries: Registrar meetings\n---\n- [ ] of no meeting\n',
  });
  const texts = (text: string, at: string | null): string[] =>
    library.ask(text, at).answer.groups.flatMap(({ rows }) => rows.map(({ row }) => (row.what === 'note' ? row.head.path : row.task.text)));

  // Names are compared folded; only meetings belong to a series.
  it('`this series` is what stands in a meeting of the same series', () => {
    expect(texts('this series\norder by path', 'A.md')).toEqual(['task of 2026-11-09', 'task of 2026-11-16']);
    expect(texts('this series and not this note', 'B.md')).toEqual(['task of 2026-11-09']);
    for (const at of ['D.md', 'E.md', null]) expect(texts('this series', at)).toEqual([]);
    expect(texts('from meetings\nwhere this series\norder by date', 'A.md')).toEqual(['A.md', 'B.md']);
  });

  it.each([
    ['series = "registrar meetings"', ['A.md', 'B.md']],
    ['series != "registrar meetings"', ['C.md']],
    ['form = "call"', ['B.md']],
    // A key of one's own, asked for by its name; of several values one may be meant.
    ['room = "Blue room"', ['B.md', 'C.md']],
    ['room != attic', ['B.md']],
    ['not room = attic', ['A.md', 'B.md', 'D.md']],
  ])('from meetings where %s', (where, paths) => expect(texts(`from meetings\nwhere ${where}\norder by path`, null)).toEqual(paths));

  it('`met` is what stands in a meeting with a person, whether or not they are named there', () => {
    const met = libraryOf({
      'M.md': '---\nkind: meeting\npeople: [Kofi, teo]\n---\n- [ ] crates\n- oiled {key}\n',
      'N.md': '---\nkind: project\npeople: [kofi]\n---\n- [ ] no meeting\n- [ ] of @kofi\n',
      'P.md': '---\nkind: person\nhandle: kofi\n---\n',
    });
    const rows = (text: string, at: string | null = null): string[] =>
      met.ask(text, at).answer.groups.flatMap((group) => group.rows.map(({ row }) => row.task.text));
    expect(rows('met @KOFI')).toEqual(['crates']);
    expect(rows('from key points where met this person', 'P.md')).toEqual(['oiled']);
    expect(rows('met this person', 'N.md')).toEqual([]);
    expect(rows('met @bea')).toEqual([]);
    // In a meeting, `this person` is anybody who is there.
    expect(rows('this person', 'M.md')).toEqual(['of @kofi']);
  });

  it('groups by series, whatever way it is written, and by form', () =>
    expect(library.ask('from meetings\ngroup by series').answer.groups.map(({ label, count }) => [label, count])).toEqual([
      ['Others', 1],
      ['Registrar meetings', 2],
      ['No series', 1],
    ]));

  it('an own key prints and reads back; a word that nearly says a known one is a slip', () => {
    const { gather, errors } = parseGather('from meetings\nwhere room = "Blue room"');
    expect(errors).toEqual([]);
    expect(parseGather(printGather(gather)).gather).toEqual(gather);
    expect(parseGather('from notes\nwhere stat = active').errors[0]?.message).toContain('“state”');
    expect(parseGather('where room = attic').errors).toHaveLength(1);
  });
});
