import fc from 'fast-check';
import { type AnswerNews, answersAfter } from '../core/index/live/news';
import { EMPTY_OVERVIEW, type OverviewNews, overviewAfter } from '../core/index/live/overview';
import type { NoteReader } from '../store/notes/note-source';
import { Faults } from '../store/test-faults';
import { EngineHost } from './host';
import { SETTINGS } from './test-settings';
import { runs } from '../core/testing/test-runs';

const LINES = [
  '- [ ] a #loans {due 2026-11-20}',
  '- [!] b',
  '- [x] c {done 2026-11-23}',
  '- [ ] d {plan 2026-11-23; takes 30m}',
  '- 09:00 Rounds',
];
const STATUS = '---\nkind: status\nsign: "!"\nmeans: waiting\n---\n';
const TEXT = fc.array(fc.constantFrom(...LINES), { maxLength: 4 }).map((lines) => lines.join('\n'));
const PATHS = ['A.md', 'B.md', 'Journal/2026-11-23.md'];
const NOTES = fc.record(Object.fromEntries(PATHS.map((path) => [path, TEXT])));

const ACT = fc.oneof(
  fc.record({ is: fc.constant('change' as const), path: fc.constantFrom(...PATHS), text: fc.option(TEXT) }),
  fc.record({ is: fc.constant('status' as const), there: fc.boolean() }),
  fc.record({ is: fc.constant('ask' as const), text: fc.constantFrom('open', 'waiting', 'late group by tag', 'due today or plan today') }),
  fc.constantFrom(...(['hold', 'bring', 'turn', 'wait'] as const)).map((is) => ({ is })),
);

const breathe = () => new Promise((resolve) => setTimeout(resolve));

/** An engine over texts that come late, what it told, and how a page that hears of it now and then fails. */
function engine(texts: Map<string, string>, faults: Faults) {
  let page = { overview: EMPTY_OVERVIEW, answers: answersAfter({}, {}) };
  const reader: NoteReader = {
    portions: async function* () {
      await Promise.resolve();
      const all = [...texts].map(([path, text]) => ({ key: path, id: path, path, text, bytes: null, changed: 0, demo: null }));
      for (const note of all) yield { notes: [note], all: all.length };
    },
  };
  const host = new EngineHost(faults.late(reader));
  const hear = (overview: OverviewNews | undefined, answers: Record<string, AnswerNews>): void => {
    page = { overview: overview ? overviewAfter(page.overview, overview) : page.overview, answers: answersAfter(page.answers, answers) };
  };
  const started = host.start(SETTINGS, (event) => {
    if (event.is === 'news') hear(event.overview, event.answers);
  });
  return { host, started, page: () => page };
}

/** What a page shows, without what says only where things were computed. */
const shown = ({ overview, answers }: ReturnType<ReturnType<typeof engine>['page']>, id: string) => ({
  days: overview.days,
  open: overview.open,
  tasks: overview.tasks,
  statuses: overview.statuses,
  rows: answers[id]?.groups.map((group) => [group.count, ...group.rows.map((row) => `${row.path} ${row.text} ${row.status}`)]),
});

it('however late portions come, and whatever changes meanwhile, a page comes to what reading everything afresh gives', async () => {
  await fc.assert(
    fc.asyncProperty(NOTES, fc.array(ACT, { maxLength: 12 }), fc.boolean(), async (notes, acts, heldAtStart) => {
      const texts = new Map(Object.entries(notes));
      const faults = new Faults();
      if (heldAtStart) faults.holdPortions();
      const here = engine(texts, faults);
      let asked = 'open';
      let { today } = SETTINGS;
      await here.host.subscribe('list', asked, null);
      const change = async (path: string, text: string | null): Promise<void> => {
        if (text === null) texts.delete(path);
        else texts.set(path, text);
        await here.host.apply([{ path, text }]);
      };
      for (const act of acts) {
        if (act.is === 'hold') faults.holdPortions();
        else if (act.is === 'bring') faults.bringPortions();
        else if (act.is === 'wait') await breathe();
        else if (act.is === 'turn') await here.host.changeSettings({ ...SETTINGS, today: ++today });
        else if (act.is === 'ask') await here.host.subscribe('list', (asked = act.text), null);
        else if (act.is === 'status') await change('S.md', act.there ? STATUS : null);
        else if (act.is === 'change') await change(act.path, act.text);
      }
      faults.bringPortions();
      await here.started;
      for (let tries = 0; tries < 20; tries++) await breathe();
      const fresh = engine(texts, new Faults());
      await fresh.started;
      await fresh.host.changeSettings({ ...SETTINGS, today });
      await fresh.host.subscribe('list', asked, null);
      for (let tries = 0; tries < 5; tries++) await breathe();
      expect(shown(here.page(), 'list')).toEqual(shown(fresh.page(), 'list'));
    }),
    { numRuns: runs(80), seed: 20261127 },
  );
}, 60_000);

it('a reader that fails is said to have failed, and a question is answered with nothing', async () => {
  const events: string[] = [];
  const host = new EngineHost({
    portions: async function* () {
      yield await Promise.reject(new Error('the disk is gone'));
    },
  });
  await host.start(SETTINGS, (event) => events.push(event.is === 'failed' ? event.message : event.is));
  expect(events).toEqual(['the disk is gone']);
  expect(await host.ask('find', { words: 'a' })).toEqual([]);
});
