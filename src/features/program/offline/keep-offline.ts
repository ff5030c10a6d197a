import { deviceMemory } from '../../../store/device/device-memory';
import { isAsking } from '../../../ui/asking';
import { say, unsay } from '../../session/telling/messages';
import type { Services } from '../../session/state/services';
import { addressWithin } from '../../../offline/address-within';
import type { WorkerMessage } from '../../../offline/worker-message';
import { inUse } from './in-use';
import { setOffline } from './offline-state';

/** How often it is looked for a newer program, and how often whether one may take over, in milliseconds. */
const LOOK_EACH = 3_600_000;
const TRY_EACH = 5_000;
/** The lock that every page holds which somebody works in, while a newer program waits. */
const IN_USE = 'recado in use';
const PROGRAM = 'recado program';
const MESSAGE = 'newer';

/**
 * Keeps the program in this browser, so that it opens without a network, and brings it up to date: a newer one is loaded whole beside it, and
 * takes over when nobody works in any page, or when a person says so; all pages are loaded anew then, so that none runs parts of two builds.
 */
export async function keepOffline(texts: Services['texts'], goTo: (address: string) => void): Promise<void> {
  const workers = navigator.serviceWorker;
  const script = document.querySelector<HTMLScriptElement>('script[type=module]')?.src ?? '';
  const { pathname } = new URL(script, location.href);
  sayWhatCame(pathname);
  const registration = await workers.register('/service-worker.js', { updateViaCache: 'none' });
  let isOurs = workers.controller !== null;
  workers.addEventListener('controllerchange', () => {
    // Taken into its care for the first time, the page is of the same build.
    if (isOurs) void texts.saveAll().finally(() => location.reload());
    isOurs = true;
  });
  workers.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
    if (typeof data === 'object' && data !== null && 'address' in data) goTo(addressWithin(data.address));
  });
  const watchNewer = whenNewer(registration, texts);
  const installing = (): void => {
    const worker = registration.installing;
    worker?.addEventListener('statechange', () => {
      if (worker.state === 'installed' && workers.controller) watchNewer();
    });
  };
  registration.addEventListener('updatefound', installing);
  installing();
  if (registration.waiting && workers.controller) watchNewer();
  await workers.ready;
  setOffline({ is: 'kept' });
  if (!workers.controller) tell(registration.active, { is: 'take me', script: pathname });
  const look = (): void => void registration.update().catch(() => undefined);
  setInterval(look, LOOK_EACH);
  let looked = Date.now();
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState !== 'visible' || Date.now() - looked < LOOK_EACH / 6) return;
    looked = Date.now();
    look();
  });
}

const tell = (worker: ServiceWorker | null, message: WorkerMessage): void => worker?.postMessage(message);

/** What is done once a newer program waits: it is said, and tried until it may take over. */
function whenNewer(registration: ServiceWorkerRegistration, texts: Services['texts']): () => void {
  let watching = false;
  return () => {
    if (watching) return;
    watching = true;
    const takeOver = (): void => tell(registration.waiting, { is: 'take over' });
    setOffline({ is: 'newer', takeOver });
    say('A newer Recado is here. It takes over when you pause.', { id: MESSAGE, lasts: 12_000, action: { words: 'Now', act: takeOver } });
    let last = Date.now();
    const touched = (): void => void (last = Date.now());
    for (const type of ['keydown', 'pointerdown', 'pointermove', 'wheel']) window.addEventListener(type, touched, { passive: true });
    let letGo: (() => void) | null = null;
    setInterval(() => {
      const used = inUse({
        ...{ last, now: Date.now(), asks: isAsking(), unsaved: texts.wouldLose },
        seen: document.visibilityState === 'visible',
      });
      if (used && !letGo) letGo = holdInUse();
      else if (!used) {
        letGo?.();
        letGo = null;
        // Granted only where no page of this browser holds it.
        void navigator.locks?.request(IN_USE, { ifAvailable: true }, (lock) => lock && takeOver());
      }
    }, TRY_EACH);
  };
}

function holdInUse(): () => void {
  let letGo = (): void => undefined;
  const until = new Promise<void>((resolve) => (letGo = resolve));
  void navigator.locks?.request(IN_USE, { mode: 'shared' }, () => until);
  return letGo;
}

/** The first page of another build than the last says so. */
function sayWhatCame(script: string): void {
  const before = deviceMemory.get(PROGRAM);
  if (before === script) return;
  deviceMemory.set(PROGRAM, script);
  unsay(MESSAGE);
  if (before !== null) say('Recado was brought up to date.');
}
