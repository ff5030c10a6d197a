import { CompletionContext, type CompletionResult } from '@codemirror/autocomplete';
import { EMPTY_OVERVIEW, type NameSummary, type NoteSummary, type Overview } from '../../../core/index/live/overview';
import { ACTION_DEFAULTS } from '../../../core/task/acts/action-context';
import { type CompletionFacts, completionSources } from './completion';
import { markedText, testView } from '../test-view';

const note = (path: string): NoteSummary => ({
  path,
  title: path.replace(/^.*\/|\.md$/g, ''),
  kind: 'note',
  journal: null,
  journalSaid: false,
  open: 0,
  closed: 0,
});
const name = (words: string, more: Partial<NameSummary> = {}): NameSummary => ({
  name: words,
  fullName: null,
  path: null,
  open: 0,
  notes: 2,
  ...more,
});

const OVERVIEW: Overview = {
  ...EMPTY_OVERVIEW,
  notes: [note('Collections/Tide clock.md'), note('Collections/Barometers.md'), note('Journal/2026-11-22.md')],
  tags: [name('loans', { open: 3 }), name('label-text'), name('crat', { notes: 1 })],
  people: [name('ilse', { fullName: 'Ilse Maar', path: 'People/Ilse Maar.md' }), name('teo')],
};

/** A text in which something is being typed, and what is offered there. */
async function offered(marked: string, explicit = false) {
  const asked: string[] = [];
  const facts: CompletionFacts = {
    overview: () => OVERVIEW,
    recent: () => ['Collections/Barometers.md'],
    headings: (path) => Promise.resolve([`Oil of ${path}`]),
    make: (title, kind) => asked.push(`make ${kind} ${title}`),
    calendar: (what) => asked.push(`calendar ${what}`),
    context: () => ({ now: { day: 20780, minute: 560 }, settings: ACTION_DEFAULTS, makeRef: () => 'a1' }),
  };
  const view = testView(marked);
  const context = new CompletionContext(view.state, view.state.selection.main.head, explicit);
  const found: CompletionResult[] = [];
  for (const source of completionSources(facts)) {
    const result = await source(context);
    if (result) found.push(result);
  }
  const labels = found.flatMap(({ options }) => options.map((option) => option.label));
  const take = (label: string): string => {
    for (const { options, from } of found)
      for (const option of options) {
        if (option.label !== label) continue;
        const { head } = view.state.selection.main;
        if (typeof option.apply === 'function') option.apply(view, option, from, head);
        else view.dispatch({ changes: { from, to: head, insert: option.apply ?? label } });
        return markedText(view);
      }
    throw new Error(`${label} is not offered`);
  };
  return { labels, asked, take };
}

describe('completion', () => {
  it('offers tags behind their sign, but not the one that is only being typed', async () => {
    expect((await offered('- [ ] Weigh #|')).labels).toEqual(['#loans', '#label-text', '#crat']);
    expect((await offered('- [ ] Weigh #crat|')).labels).toEqual(['#loans', '#label-text']);
    expect((await offered('C#|')).labels).toEqual([]);
    expect((await offered('# |')).labels).toEqual([]);
  });

  it('offers people by handle and by full name, and a page for somebody new', async () => {
    const { labels, take } = await offered('Ask @|');
    expect(labels).toEqual(['@ilse', '@Ilse Maar', '@teo']);
    expect(take('@Ilse Maar')).toBe('Ask @ilse|');
    const { take: make, asked } = await offered('Ask @lars|');
    expect(make('make a page for @lars')).toBe('Ask @lars|');
    expect(asked).toEqual(['make person lars']);
    expect((await offered('desk@|')).labels).toEqual([]);
  });

  it('offers notes behind the brackets and headings behind the title', async () => {
    const { labels, take } = await offered('see [[tide|');
    expect(labels).toEqual(['Tide clock', 'Barometers', '2026-11-22', 'make the note tide']);
    expect(take('Tide clock')).toBe('see [[Tide clock]]|');
    expect((await offered('see [[Tide clock#|]]')).labels).toEqual(['Oil of Collections/Tide clock.md']);
    expect((await offered('see [[Nothing#|')).labels).toEqual([]);
    const { take: make, asked } = await offered('see [[Sextants|]]');
    expect(make('make the note Sextants')).toBe('see [[Sextants]]|');
    expect(asked).toEqual(['make note Sextants']);
  });

  it('offers the clauses of a tail, on list items alone', async () => {
    const { labels, take } = await offered('- [ ] Weigh {|}');
    expect(labels.slice(0, 3)).toEqual(['due', 'plan', 'start']);
    expect(take('high')).toBe('- [ ] Weigh {|high}');
    expect((await offered('- [ ] Weigh {due 2026-11-27; |}')).labels).toContain('takes');
    expect((await offered('words {|}')).labels).toEqual([]);
  });

  it('offers likely days, and what typed words come to', async () => {
    const { labels, take } = await offered('- [ ] Weigh {due |}');
    expect(labels).toEqual(['Today', 'Tomorrow', 'Next week, Mon', 'In two weeks', 'From a calendar…']);
    expect(take('Tomorrow')).toBe('- [ ] Weigh {due 2026-11-24}|');
    const said = await offered('- [ ] Weigh {due next fri|');
    expect(said.labels).toEqual(['2026-12-04']);
    expect(said.take('2026-12-04')).toBe('- [ ] Weigh {due 2026-12-04}|');
    expect((await offered('- [ ] Weigh {due soonish|}')).labels).toEqual([]);
    expect((await offered('- [ ] Weigh {takes |}')).labels).toEqual([]);
  });

  it.each([
    ['- [ ] Weigh {due |}', '- [ ] Weigh', 'due'],
    ['- [ ] Weigh {due |', '- [ ] Weigh', 'due'],
    ['- [ ] Weigh {high; start |}', '- [ ] Weigh {high}', 'rest'],
    ['- [ ] Weigh {plan |; high}', '- [ ] Weigh {high}', 'plan'],
  ])('asks a calendar instead of %j', async (marked, left, what) => {
    const { take, asked } = await offered(marked);
    expect(take('From a calendar…').replace('|', '')).toBe(left);
    expect(asked).toEqual([`calendar ${what}`]);
  });
});
