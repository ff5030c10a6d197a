import { hearInSight } from '../../../store/device/in-sight';
import { type DiskFolder } from '../../../store/folder/disk-folder';
import { folderFailure } from '../../../store/folder/folder-failure';
import type { FolderSync } from '../../../store/folder/folder-sync';
import type { InSteps } from '../../../store/folder/in-step';
import { type SyncReport, isQuiet } from '../../../store/folder/sync-report';
import { LEFT_BROWSER, leavesNow } from '../../../store/keep/left-browser';
import { counted } from '../../session/acting/use-act';
import type { Services } from '../../session/state/services';
import { type StepState, type StepValues, readStepState, readWish } from './step-state';
import { settleSettings } from './settle-settings';

/** How soon it is looked after a change here, in milliseconds. */
const SOON = 1_500;
/** However quiet it is, so often it is told that it was looked. */
const TOLD_EACH = 60_000;
/** So many notes with second texts, and files that were not as they should be, are remembered. */
const REMEMBERED = 20;

/** A place of files as it is kept in step. */
export interface OpenPlace {
  sync: FolderSync;
  folder: DiskFolder;
  steps: InSteps;
  /** What is done after each look; what takes long says how far it is. */
  looked?: (ends: AbortSignal, says: (words: string) => Promise<void>) => Promise<void>;
}

/** Where the files lie, and how that is opened. */
export interface StepPlace {
  values: StepValues;
  /** How often it is looked at, in milliseconds. */
  each: number;
  /** Between two looks it rests so many times as long as one takes: what costs much is done less. */
  rest: number;
  /**
   * The place as it is joined now: as it was opened before, where that is still it.
   *
   * @param changed is called with files of which the place says by itself that they changed
   * @returns null where none is joined, `asleep` where it may not be looked at
   */
  open: (before: OpenPlace | null, changed: (path: string) => void) => Promise<OpenPlace | 'asleep' | null>;
  /** It is kept in step by this tab no more. */
  close: () => void;
}

/**
 * Keeps a place of files in step with the notes, as long as this tab does the clockwork: looks at it every few seconds and after each change
 * here, and tells all tabs how it went.
 */
export function keepInStep(
  { store, texts }: Pick<Services, 'store' | 'texts'>,
  { values, each, rest, open: openPlace, close }: StepPlace,
  ends: AbortSignal,
): void {
  let open: OpenPlace | null = null;
  let told: StepState | null = null;
  let working: Promise<void> = Promise.resolve();
  /** Files that changed, as far as the place tells it. */
  const seen = new Set<string>();
  let soon: ReturnType<typeof setTimeout> | null = null;

  const tell = async (state: Omit<StepState, 'at'>): Promise<void> => {
    const now = Date.now();
    const { at = 0, ...before } = told ?? {};
    if (now - at < TOLD_EACH && JSON.stringify(before) === JSON.stringify(state)) return;
    told = { ...state, at: now };
    await store.setValue(values.state, told);
  };
  const quiet = (is: StepState['is'], why = ''): Omit<StepState, 'at'> => ({
    ...{ is, why, did: told?.did ?? '', failed: [], ignored: [], asks: 0 },
    ...{ beside: told?.beside ?? [], warned: told?.warned ?? [] },
  });

  const opened = async (): Promise<OpenPlace | null> => {
    const found = await openPlace(open, (path) => {
      seen.add(path);
      glanceSoon();
    });
    if (found === 'asleep') await tell(quiet('asleep'));
    const next = found === 'asleep' ? null : found;
    if (next && next !== open) told = readStepState(await store.value(values.state));
    return (open = next);
  };

  /** Only what changed here, and what the place says changed there. */
  const glance = async (): Promise<void> => {
    const paths = [...seen];
    seen.clear();
    await bring(({ sync }) => sync.glance(paths), false);
  };
  const look = (confirmed = false): Promise<void> => bring(({ sync }) => sync.pass(confirmed), true);
  const bring = async (sync: (one: OpenPlace) => Promise<SyncReport>, isWhole: boolean): Promise<void> => {
    try {
      const one = await opened();
      if (!one) return;
      if (isWhole && one.steps.size === 0) await tell(quiet('looking'));
      await texts.saveAll();
      const report = await sync(one);
      if (isWhole) await settleSettings(store, one.folder, values.settings);
      if (!isQuiet(report)) await store.changeValue(LEFT_BROWSER, leavesNow(Date.now()));
      await one.looked?.(ends, (words) => tell(quiet('in step', words)));
      const { failed } = report;
      // What is ignored, and what is asked, only a whole look says.
      const { ignored, asks } = isWhole ? report : { ignored: told?.ignored ?? [], asks: told?.asks ?? 0 };
      const beside = [...report.beside, ...(told?.beside ?? [])].slice(0, REMEMBERED);
      const warned = [...report.warned, ...(told?.warned ?? [])].slice(0, REMEMBERED);
      await tell({ ...quiet('in step'), did: didWords(report) || (told?.did ?? ''), failed, ignored, asks, beside, warned });
    } catch (error) {
      await tell(quiet('away', folderFailure(error)));
    }
  };

  const glanceSoon = (): void => void (soon ??= setTimeout(() => ((soon = null), then(glance)), SOON));
  const then = (act: () => Promise<void>): void => void (working = working.then(act).catch(() => undefined));
  const wish = async (): Promise<void> => {
    const wanted = readWish(await store.value(values.wish));
    if (wanted === 'write back' && open) await writeBack(open);
    if (wanted === 'seen' && told) await tell({ ...told, warned: [], beside: [] });
    else await look(wanted === 'remove');
  };
  const stop = store.listen({
    changed: (changes) => {
      for (const { path } of changes) open?.sync.touched(path);
      if (open) glanceSoon();
    },
    valueChanged: (id) => {
      if (id === values.value) then(look);
      else if (id === values.wish) then(wish);
    },
  });
  // A large place takes its time: most of it is left to other things.
  let restsUntil = 0;
  const lookAgain = (): void => {
    restsUntil = Infinity;
    if (timer) clearTimeout(timer);
    then(async () => {
      const began = performance.now();
      await look();
      const wait = Math.max(each, rest * (performance.now() - began));
      restsUntil = performance.now() + wait;
      if (!ends.aborted) timer = setTimeout(lookAgain, wait);
    });
  };
  let timer: ReturnType<typeof setTimeout> | null = null;
  lookAgain();
  // A network that is back is used at once, and who comes back, or works in another tab, finds what came meanwhile: out of sight a browser
  // lets timers wait.
  const back = (): void => then(look);
  const lookIfDue = (): void => void (performance.now() > restsUntil && lookAgain());
  const seenAgain = (): void => void (document.visibilityState === 'visible' && lookIfDue());
  const unheard = hearInSight(lookIfDue);
  window.addEventListener('online', back);
  document.addEventListener('visibilitychange', seenAgain);
  ends.addEventListener('abort', () => {
    stop();
    close();
    unheard();
    window.removeEventListener('online', back);
    document.removeEventListener('visibilitychange', seenAgain);
    if (timer) clearTimeout(timer);
    if (soon) clearTimeout(soon);
  });
}

/** The files that are gone are written again: their notes are no longer in step with any. */
async function writeBack({ steps, folder, sync }: OpenPlace): Promise<void> {
  const { files } = await folder.look();
  const there = new Set(files.map(({ path }) => path));
  const gone = [...steps.values()].filter(({ path }) => !there.has(path));
  await steps.put(gone.map(({ key }) => ({ key, now: null })));
  for (const { path } of gone) sync.touched(path);
}

/** What a look did, in words; empty where it did nothing. */
function didWords({ cameIn, wentOut, merged, beside, stayed, removed }: SyncReport): string {
  const parts: [number, string][] = [
    [cameIn.length, 'came in'],
    [wentOut.length, 'went out'],
    [merged.length, 'merged'],
    [beside.length, 'with a second text'],
    [stayed.length, 'stayed, removed on one side and changed on the other'],
    [removed.length, 'removed'],
  ];
  const said = parts.filter(([count]) => count > 0).map(([count, words]) => `${counted(count, 'note')} ${words}`);
  return said.join(', ');
}
