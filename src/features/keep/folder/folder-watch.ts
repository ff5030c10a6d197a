import { FolderSync } from '../../../store/folder/folder-sync';
import { handleFolder } from '../../../store/folder/handle-folder';
import { InSteps } from '../../../store/folder/in-step';
import { mergedSettings } from '../../../store/folder/merged-settings';
import { type SyncReport, isQuiet } from '../../../store/folder/sync-report';
import type { DiskFolder } from '../../../store/folder/disk-folder';
import { LEFT_BROWSER, leavesNow } from '../../../store/keep/left-browser';
import { folderFailure } from '../../../store/folder/folder-failure';
import { counted } from '../../session/acting/use-act';
import type { Services } from '../../session/state/services';
import { hasAccess } from '../copies/access';
import { observed } from '../observed';
import { FOLDER_STATE, FOLDER_VALUE, FOLDER_WISH, type FolderState, readFolderState, readJoined, readWish } from './folder-state';

/** How often it is looked, and how soon after a change here; in milliseconds. */
const EACH = 10_000;
const SOON = 1_500;
/** Between two looks it rests so many times as long as one takes. */
const REST = 20;
/** However quiet it is, so often it is told that it was looked. */
const TOLD_EACH = 60_000;
/** The settings travel with the folder. */
const SETTINGS_FILE = '.recado/settings.json';
const SETTINGS_BASE = 'folder settings';

type Open = { handle: FileSystemDirectoryHandle; sync: FolderSync; folder: DiskFolder; steps: InSteps };

/**
 * Keeps the folder that is joined in step with the notes, as long as this tab does the clockwork: looks at it every few seconds and after each
 * change here, and tells all tabs how it went.
 */
export function keepFolder({ store, texts }: Pick<Services, 'store' | 'texts'>, ends: AbortSignal): void {
  let open: Open | null = null;
  let told: FolderState | null = null;
  let working: Promise<void> = Promise.resolve();
  let unobserve: () => void = () => undefined;
  /** Files that changed, as far as the browser tells it. */
  const seen = new Set<string>();
  let soon: ReturnType<typeof setTimeout> | null = null;

  const tell = async (state: Omit<FolderState, 'at'>): Promise<void> => {
    const now = Date.now();
    const { at = 0, ...before } = told ?? {};
    if (now - at < TOLD_EACH && JSON.stringify(before) === JSON.stringify(state)) return;
    told = { ...state, at: now };
    await store.setValue(FOLDER_STATE, told);
  };
  const quiet = (is: FolderState['is'], why = ''): Omit<FolderState, 'at'> => ({
    is,
    why,
    did: told?.did ?? '',
    failed: [],
    ignored: [],
    beside: told?.beside ?? [],
    asks: 0,
  });

  /** The folder as it is joined now; null where none is, or it may not be looked at. */
  const opened = async (): Promise<Open | null> => {
    const joined = readJoined(await store.value(FOLDER_VALUE));
    if (!joined) {
      unobserve();
      return (open = null);
    }
    if (!(await hasAccess(joined.handle))) {
      await tell(quiet('asleep'));
      return (open = null);
    }
    if (open && (await open.handle.isSameEntry(joined.handle))) return open;
    unobserve();
    unobserve = await observed(joined.handle, (path) => {
      seen.add(path);
      glanceSoon();
    });
    const [folder, steps] = [handleFolder(joined.handle), await InSteps.load(store.db)];
    told = readFolderState(await store.value(FOLDER_STATE));
    return (open = { handle: joined.handle, folder, steps, sync: new FolderSync(store, folder, steps) });
  };

  /** Only what changed here, and what the browser says changed there. */
  const glance = async (): Promise<void> => {
    const one = await opened();
    const paths = [...seen];
    seen.clear();
    if (one) await bring(one, () => one.sync.glance(paths), false);
  };
  const look = async (confirmed = false): Promise<void> => {
    const one = await opened();
    if (!one) return;
    if (one.steps.size === 0) await tell(quiet('looking'));
    await bring(one, () => one.sync.pass(confirmed), true);
  };
  const bring = async (one: Open, sync: () => Promise<SyncReport>, isWhole: boolean): Promise<void> => {
    try {
      await texts.saveAll();
      const report = await sync();
      if (isWhole) await settle(store, one.folder);
      if (!isQuiet(report)) await store.changeValue(LEFT_BROWSER, leavesNow(Date.now()));
      const { failed } = report;
      // What is ignored, and what is asked, only a whole look says.
      const { ignored, asks } = isWhole ? report : { ignored: told?.ignored ?? [], asks: told?.asks ?? 0 };
      const beside = [...report.beside, ...(told?.beside ?? [])].slice(0, 20);
      await tell({ ...quiet('in step'), did: didWords(report) || (told?.did ?? ''), failed, ignored, asks, beside });
    } catch (error) {
      await tell(quiet('away', folderFailure(error)));
    }
  };

  const glanceSoon = (): void => void (soon ??= setTimeout(() => ((soon = null), then(glance)), SOON));
  const then = (act: () => Promise<void>): void => void (working = working.then(act).catch(() => undefined));
  const wish = async (): Promise<void> => {
    const wanted = readWish(await store.value(FOLDER_WISH));
    if (wanted === 'write back' && open) await writeBack(open);
    await look(wanted === 'remove');
  };
  const stop = store.listen({
    changed: (changes) => {
      for (const { path } of changes) open?.sync.touched(path);
      if (open) glanceSoon();
    },
    valueChanged: (id) => {
      if (id === FOLDER_VALUE) then(look);
      else if (id === FOLDER_WISH) then(wish);
    },
  });
  // A large folder takes its time: most of it is left to other things.
  const lookAgain = (): void =>
    then(async () => {
      const began = performance.now();
      await look();
      if (!ends.aborted) timer = setTimeout(lookAgain, Math.max(EACH, REST * (performance.now() - began)));
    });
  let timer: ReturnType<typeof setTimeout> | null = null;
  lookAgain();
  ends.addEventListener('abort', () => {
    stop();
    unobserve();
    if (timer) clearTimeout(timer);
    if (soon) clearTimeout(soon);
  });
}

/** The files that are gone are written again: their notes are no longer in step with any. */
async function writeBack({ steps, folder, sync }: Open): Promise<void> {
  const { files } = await folder.look();
  const there = new Set(files.map(({ path }) => path));
  const gone = [...steps.values()].filter(({ path }) => !there.has(path));
  await steps.put(gone.map(({ key }) => ({ key, now: null })));
  for (const { path } of gone) sync.touched(path);
}

/** Brings the settings and the file in which they travel together. */
async function settle(store: Services['store'], folder: DiskFolder): Promise<void> {
  const found = await folder.read(SETTINGS_FILE);
  const there = found && readObject(new TextDecoder().decode(found.bytes));
  const here = asObject(await store.value('settings'));
  const base = asObject(await store.value(SETTINGS_BASE));
  const merged = there ? mergedSettings(base, here, there) : here;
  const words = `${JSON.stringify(merged, null, 2)}\n`;
  // What was set meanwhile stays.
  if (JSON.stringify(merged) !== JSON.stringify(here))
    await store.changeValue('settings', (present) => mergedSettings(here, asObject(present), merged));
  if (JSON.stringify(merged) !== JSON.stringify(there))
    await folder.write(SETTINGS_FILE, new TextEncoder().encode(words), found?.file ?? null);
  if (JSON.stringify(merged) !== JSON.stringify(base)) await store.setValue(SETTINGS_BASE, merged);
}

const asObject = (value: unknown): Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, unknown>) : {};

function readObject(words: string): Record<string, unknown> | null {
  try {
    const value: unknown = JSON.parse(words);
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? asObject(value) : null;
  } catch {
    return null;
  }
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
