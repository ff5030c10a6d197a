import { LENT_SETTINGS, type LentSettings } from '../../../core/sharing/lend/lent-settings';
import type { AddedStatus } from '../../../core/task/line/status';
import type { Settings } from '../../../store/device/settings';
import { ownServer } from '../../../store/lending/lending-server';
import { LentKeeper } from '../../../store/lending/lent-keeper';
import { liveLinks } from '../../../store/lending/live-link';
import { LENT_WISH } from '../../../store/lending/seen-lent';
import { secret } from '../../../store/desk/desk-keys';
import { noteAddress } from '../../session/places/addresses';
import type { Notice } from '../../session/state/frame-slice';
import type { Services } from '../../session/state/services';

interface Watching {
  settings: () => { settings: Settings; statuses: readonly AddedStatus[] };
  notice: (one: Notice) => void;
}

/** Who has it open is asked so often while nobody looks, in milliseconds. */
const EACH = 60_000;

/** Keeps what is lent in step with those it is lent to, as long as this tab does the clockwork. */
export async function keepLent(
  { store, texts, engine, actions }: Pick<Services, 'store' | 'texts' | 'engine' | 'actions'>,
  { settings, notice }: Watching,
  ends: AbortSignal,
): Promise<void> {
  const links = liveLinks(location.origin);
  const keeper = new LentKeeper({
    ...{ store, server: ownServer, connect: links.connect, now: Date.now, makeId: () => secret(6) },
    answer: ({ text, path }) => engine.ask('listed', { texts: [text], at: path }),
    act: async (ticks, label) => {
      const tasks = ticks.map(({ ref, status }) => ({ ref, intentions: [{ do: 'status', status } as const] }));
      const result = await actions.actMany(tasks, label);
      return 'refused' in result ? null : result.step;
    },
    save: () => texts.saveAll(),
    settings: () => sharedSettings(settings()),
    arrived: ({ title, what }, who) =>
      notice({
        words: `“${title}” was written in while Recado was closed${who === '' ? '' : `: ${who}`}. Undo takes it back.`,
        ...(what.is === 'part' && { leads: { address: noteAddress(what.path, what.part.first), words: 'See it' } }),
      }),
    beside: (title, path) =>
      notice({
        words: `“${title}” was called back, and had no place in your notes any more. What was written there is a note of its own.`,
        warns: true,
        leads: { address: noteAddress(path), words: 'Open it' },
      }),
    problem: () => undefined,
  });
  const stops = [store.listen(keeper.listener), store.listen({ valueChanged: (id) => void (id === LENT_WISH && keeper.look()) })];
  const each = setInterval(() => void keeper.look(), EACH);
  const back = (): void => void keeper.look();
  window.addEventListener('online', back);
  ends.addEventListener('abort', () => {
    for (const stop of stops) stop();
    clearInterval(each);
    window.removeEventListener('online', back);
    keeper.end();
    links.end();
  });
  await keeper.look();
}

const sharedSettings = ({ settings, statuses }: ReturnType<Watching['settings']>): LentSettings =>
  LENT_SETTINGS.parse({ ...settings, statuses });
