import type * as Front from '../core/note/facts/front-matter';
import type * as Host from './host';
import type { EngineEvent } from './protocol';

const SETTINGS = { today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;
/** A field in braces is beyond the reader of simple front matter. */
const HARD = '---\nodd: {x: 1}\ntags: [loans]\n---\n- [ ] ask';

/** The engine as it is in the worker: without the YAML library until something needs it. */
async function freshEngine(use: (parts: { host: typeof Host; front: typeof Front }) => Promise<void>): Promise<void> {
  await jest.isolateModulesAsync(async () => {
    const host = await import('./host');
    const front = await import('../core/note/facts/front-matter');
    await use({ host, front });
  });
}

const tagsTold = (events: readonly EngineEvent[]): string[] =>
  events.flatMap((event) => (event.is === 'news' ? (event.overview?.tags ?? []) : [])).map((tag) => tag.name);

describe('front matter that only the YAML library can read', () => {
  it('is read when the library is, once that is loaded', async () => {
    await freshEngine(async ({ host: { EngineHost }, front }) => {
      const events: EngineEvent[] = [];
      const engine = new EngineHost({
        portions: async function* () {
          yield { notes: [{ path: 'A.md', text: HARD }], all: 1 };
        },
      });
      expect(front.missesYaml()).toBe(false);
      await engine.start(SETTINGS, (event) => events.push(event));
      expect(front.missesYaml()).toBe(false);
      expect(tagsTold(events)).toContain('loans');
    });
  });

  it('is read again as it stands when a note changed to it, and changed once more meanwhile', async () => {
    await freshEngine(async ({ host: { EngineHost }, front }) => {
      const events: EngineEvent[] = [];
      const engine = new EngineHost({
        portions: async function* () {
          yield { notes: [{ path: 'A.md', text: '- [ ] plain' }], all: 1 };
        },
      });
      await engine.start(SETTINGS, (event) => events.push(event));
      await engine.apply([{ path: 'A.md', text: HARD }]);
      expect(front.missesYaml()).toBe(true);
      await engine.apply([{ path: 'A.md', text: HARD.replace('loans', 'build') }]);
      await front.loadYaml();
      await new Promise((resolve) => setTimeout(resolve));
      expect(tagsTold(events)).toContain('build');
      expect(tagsTold(events)).not.toContain('loans');
    });
  });

  it('takes its lines all the same while it is not read', async () => {
    await freshEngine(async ({ front: { readFrontMatter } }) => {
      const { splitLines } = await import('../core/note/blocks/lines');
      expect(readFrontMatter(splitLines(HARD))).toMatchObject({ lineCount: 4, tags: [], problem: null });
    });
  });
});
