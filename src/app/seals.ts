import { SEALS_FOLDER } from '../core/sharing/seal/seal-note';
import { foldPath, isSealedPath, liesIn } from '../core/note/names/path';
import type { SealsOfDesk } from '../features/session/state/services';
import type { SealHost } from '../store/seal/seal-desk';
import type { SealDesk, SealState } from '../store/seal/seal-desk';

/** Where nothing is sealed. */
const NOTHING: SealState = { seals: [], open: new Set(), notes: 0, closed: 0, by: {} };

/**
 * The seals of this tab. Few have any, so what opens them is loaded where there is one, or is to be.
 *
 * @param begun called once with what keeps them, to close them in time
 */
export function sealsOfDesk(host: Omit<SealHost, 'begin'>, begun: (desk: SealDesk) => void): SealsOfDesk {
  let opening: Promise<SealDesk> | null = null;
  let opened: SealDesk | null = null;
  const listeners = new Set<() => void>();
  const begin = async (): Promise<SealDesk> => {
    const [{ SealDesk: Desk }, { beginSealing }] = await Promise.all([import('../store/seal/seal-desk'), import('../engine/desk/sealing')]);
    const desk = new Desk({ ...host, begin: beginSealing });
    desk.listen(() => listeners.forEach((listener) => listener()));
    opened = desk;
    begun(desk);
    await desk.look();
    return desk;
  };
  const open = (): Promise<SealDesk> =>
    (opening ??= begin().catch((error: unknown) => {
      opening = null;
      throw error;
    }));
  const { store } = host;
  // Until it is loaded nothing is open, and what must be sealed loads it.
  store.opener = {
    text: () => Promise.resolve(null),
    opened: () => Promise.resolve(null),
    sealed: async (...given) => (await open()).sealed(...given),
    bytes: async (...given) => (await open()).bytes(...given),
    placed: async (path) => {
      if (!(await anySeal())) return path;
      return (await open()).placed(path);
    },
  };
  const anySeal = async (): Promise<boolean> =>
    (await store.db.notes
      .where('key')
      .startsWith(`${foldPath(SEALS_FOLDER)}/`)
      .count()) > 0;
  const stop = store.listen({
    changed: (changes) => {
      if (!changes.some(({ path }) => isSealedPath(path) || liesIn(path, SEALS_FOLDER))) return;
      stop();
      void open().catch(host.problem);
    },
  });
  return {
    get opened() {
      return opened;
    },
    open,
    openWhereThere: async () => void ((await anySeal()) && (await open())),
    present: () => opened?.present() ?? NOTHING,
    listen: (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}
