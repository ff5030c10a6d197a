import { startEngine } from '../engine/client';
import type { EngineEvent } from '../engine/protocol';
import type { DaySettings } from '../core/day/day-settings';
import type { LibrarySettings } from '../core/index/library';
import { baseNameOf } from '../core/note/names/path';
import { presentDatabase } from '../store/notes/database';
import { keepClockwork } from '../store/device/clockwork';
import { tellInSight } from '../store/device/in-sight';
import { deviceMemory, tabMemory } from '../store/device/device-memory';
import { Drafts } from '../store/texts/drafts';
import { loadedLate } from '../store/acting/loaded-late';
import { reportProblem } from '../store/notes/listeners';
import { NoteStore } from '../store/notes/note-store';
import type { WordsApart } from '../store/texts/open-text';
import { OpenTexts } from '../store/texts/open-texts';
import type { Recovered } from '../store/texts/recover-drafts';
import { type Settings, changedSettings, readSettings } from '../store/device/settings';
import { type Tab, claimTab } from '../store/device/tab';
import { type DeskOpening, openingOf } from '../store/device/desk-opened';
import { engineChanges } from './engine-changes';
import { openWhereFollowed, outsideLists } from './outside-lists';
import { sealsOfDesk } from './seals';
import { CommandDesk } from '../features/commands/command-desk';
import { noteAddress } from '../features/session/places/addresses';
import { Clock } from '../features/session/state/clock';
import { followSelection } from '../features/session/places/follow-selection';
import { PlaceMemory } from '../features/session/places/place-memory';
import { readCursor, readPlaces } from '../features/session/places/place-words';
import { frameWords, readFrame } from '../features/session/state/frame-memory';
import { type Notice, frameSlice } from '../features/session/state/frame-slice';
import { LENT_MARKS } from '../features/session/state/lent-marks';
import { libraryActions } from '../features/session/state/library-slice';
import { selectionSlice } from '../features/session/state/selection-slice';
import type { Services } from '../features/session/state/services';
import { type State, makeState, settingsChanged } from '../features/session/state/state';

export interface Started {
  services: Services;
  state: State;
  opening: DeskOpening;
}

/**
 * Opens the store, starts the engine, and joins them: what is written is indexed, what is answered is shown.
 *
 * @param blocked called when another tab keeps the store from being brought to what this version needs; it goes on when that tab is closed
 */
export async function start(blocked: () => void): Promise<Started> {
  const clock = new Clock();
  const state = makeState();
  const notice = (one: Notice): void => void state.dispatch(frameSlice.actions.noticed(one));
  const db = await presentDatabase();
  const tab = await claimTab(tabMemory, navigator.locks, () => crypto.randomUUID());
  const store = new NoteStore(db, tab.name, () => Date.now());
  db.on('versionchange', () => {
    db.abandon();
    notice({ words: STORE_GONE, warns: true });
    // The library would open it anew, and write into a store that somebody just deleted.
    return false;
  });
  db.on('blocked', blocked);
  await db.openOwn();
  const settings = readSettings(await store.value('settings'));
  state.dispatch(settingsChanged(settings));
  const pretended = new URLSearchParams(location.search).get('now');
  if (pretended !== null && !(await hasOwnNotes(store))) clock.pretend(pretended);
  void navigator.storage?.persist?.();
  restoreFrame(state);

  const texts = openTexts(store, new Drafts(deviceMemory, tab.name, () => Date.now()), state, notice);
  // What a page left behind is there before anything shows the notes it belongs to.
  if (!db.onlyRead) for (const one of await recovered(texts, tab)) notice(recoveredNotice(one));

  const places = rememberedPlaces();
  const engine = startEngine(engineSettings(settings, clock), (event) => hear(state, event));
  store.listen({
    changed: (changes) => {
      void engine.apply(engineChanges(changes));
      const moves = changes.flatMap(({ path, movedTo }) => (movedTo === undefined ? [] : [{ from: path, to: movedTo }]));
      if (moves.length === 0) return;
      state.dispatch(frameSlice.actions.notesMoved(moves));
      for (const { from, to } of moves) places.noteMoved(from, to);
    },
    valueChanged: (id) => {
      if (id === LENT_MARKS.id) lookLent();
      if (id === 'settings') void store.value('settings').then((value) => state.dispatch(settingsChanged(readSettings(value))));
    },
  });
  // Whoever writes where others write at the same time sees them do it.
  const lookLent = (): void => void store.value(LENT_MARKS.id).then((value) => (texts.together = LENT_MARKS.read(value).notes));
  lookLent();
  let told = JSON.stringify(engineSettings(settings, clock));
  const tell = (): void => {
    const next = engineSettings(state.getState().settings, clock);
    if (JSON.stringify(next) === told) return;
    told = JSON.stringify(next);
    void engine.changeSettings(next);
  };
  clock.listen(tell);
  state.subscribe(tell);

  const contextMade = async () => {
    const { actionContext } = await import('../features/session/acting/action-context');
    return () => actionContext(state.getState().settings, clock.now(), state.getState().library.overview?.statuses);
  };
  const outside = outsideLists(store, engine, tab.name, contextMade);
  const seals = sealsOfDesk(
    {
      ...{ store, texts, problem: reportProblem },
      sealed: async (moves) => (await import('../features/sharing/seal/after-sealing')).afterSealing(services, moves),
    },
    (desk) =>
      void Promise.all([import('../features/sharing/seal/keep-closed'), import('../features/sharing/seal/closed-words')]).then(
        ([{ keepClosed }, { closedWords }]) => {
          closedWords(desk, places);
          keepClosed(
            desk,
            () => state.getState().settings.sealsAfter,
            (why) => notice({ words: why === 'left' ? SEALS_LEFT : SEALS_HIDDEN }),
          );
        },
      ),
  );
  const actions = loadedLate(async () => {
    const [{ NoteActions }, { routedActions }, context] = await Promise.all([
      import('../store/acting/note-actions'),
      import('../store/acting/routed-actions'),
      contextMade(),
    ]);
    const ofNotes = new NoteActions(store, context, () => texts.settle());
    return routedActions(ofNotes, async () => (await outside.open()).actions);
  });
  // Nothing is done before something is shown, and what is done first need not wait.
  void whenRead(state).then(() => {
    setTimeout(actions.begin, ACTIONS_AFTER);
    void seals.openWhereThere().catch(reportProblem);
    if (!db.onlyRead) openWhereFollowed(store, outside);
  });
  const services: Services = {
    store,
    actions: actions.there,
    outside,
    seals,
    texts,
    engine,
    clock,
    commands: new CommandDesk(),
    places,
    changeSettings: async (change) => {
      const present = state.getState().settings;
      state.dispatch(settingsChanged({ ...present, ...(typeof change === 'function' ? change(present) : change) }));
      await store
        .changeValue('settings', (stored) => changedSettings(stored, change))
        .catch(() => notice({ words: 'The settings could not be stored: they last until the page is closed.', warns: true }));
    },
  };
  const opening = await openingOf(store, deviceMemory);
  tellInSight(() => document.visibilityState === 'visible');
  // Nothing on the first page waits for it.
  if (!db.onlyRead)
    keepClockwork(navigator.locks, async (ends) => {
      // What was missed is found in all notes, and not in those that happen to be read first; and the first page goes before all of it.
      await whenRead(state);
      await new Promise((resolve) => setTimeout(resolve, CLOCKWORK_AFTER));
      await store.steps.prune();
      if (opening === 'none') await (await import('../features/program/opening/renew-pages')).renewAgendaPages(store);
      const { keepReminders } = await import('../features/day/reminders/keep-reminders');
      keepReminders(services, () => state.getState().settings, ends);
      const { keepFeed } = await import('../features/files/feed/keep-feed');
      const given = () => ({ settings: state.getState().settings, statuses: state.getState().library.overview?.statuses ?? [] });
      keepFeed(services, given, ends);
      const { keepWatch } = await import('../features/keep/keep-watch');
      const settings = () => state.getState().settings;
      const ofOutside = { context: await contextMade(), minutes: () => settings().outsideEach, notice };
      keepWatch(services, { settings, notice, now: () => Date.now(), outside: ofOutside, lent: given }, ends);
    });
  if (db.onlyRead) notice({ words: ONLY_READ, warns: true });
  if (deviceMemory.refused || tabMemory.refused) notice({ words: NOTHING_KEPT, warns: true });
  return { services, state, opening };
}

/** What is acted with comes so long after all notes are read, unless it is wanted before; in milliseconds. */
const ACTIONS_AFTER = 1000;
/** What the clockwork does first comes so long after all notes are read, in milliseconds. */
const CLOCKWORK_AFTER = 2000;

/** Waits until all notes are read. */
function whenRead(state: State): Promise<void> {
  return new Promise((resolve) => {
    const look = (): void => {
      if (state.getState().library.overview === null) return;
      stop();
      resolve();
    };
    const stop = state.subscribe(look);
    look();
  });
}

const SEALS_LEFT = 'Nobody was here for a while, so the seals were closed.';
const SEALS_HIDDEN = 'The page was out of sight for five minutes, so the seals were closed.';
const STORE_GONE =
  'Recado’s store was deleted or renewed in another tab, so nothing can be saved here any more. Copy out what you need, then reload the page.';
const ONLY_READ =
  'Your notes were last kept by a newer Recado than this page is. They can be read and exported, and nothing here changes them: load the page anew to go on writing.';
const NOTHING_KEPT =
  'This browser lets Recado keep little beside the notes: what was folded, pinned or just being typed may be gone when the page is.';

/** The texts that are written, joined with the page: it saves when it goes, and is kept only where words would be lost. */
function openTexts(store: NoteStore, drafts: Drafts, state: State, notice: (one: Notice) => void): OpenTexts {
  const texts = new OpenTexts(store, drafts, {
    saving: (save) => state.dispatch(frameSlice.actions.saving(save)),
    apart: (words) => notice(apartNotice(words)),
  });
  const save = (): void => void texts.saveAll();
  window.addEventListener('pagehide', save);
  document.addEventListener('visibilitychange', save);
  window.addEventListener('beforeunload', (event) => {
    if (texts.wouldLose) event.preventDefault();
  });
  return texts;
}

async function recovered(texts: OpenTexts, tab: Tab): Promise<Recovered[]> {
  if (!texts.host.drafts.any()) return [];
  const [open, { recoverDrafts }] = await Promise.all([tab.open(), import('../store/texts/recover-drafts')]);
  return recoverDrafts(texts, (name) => name !== tab.name && (open === null || open.has(name)));
}

function recoveredNotice({ path, is }: Recovered): Notice {
  const leads = { address: noteAddress(path), words: 'Open it' };
  if (is === 'merged') return { words: `What was typed last in “${baseNameOf(path)}” was brought back.`, leads };
  return { words: `What was typed last stands in “${baseNameOf(path)}”: its note was changed at the same place.`, warns: true, leads };
}

function apartNotice({ why, of, path }: WordsApart): Notice {
  if (why === 'sealed')
    return {
      words: 'The note was sealed, or its seal closed, while you were writing in it. What was not stored yet lies sealed beside it.',
      warns: true,
      leads: { address: noteAddress(path), words: 'Go there' },
    };
  if (why === 'written at once')
    return {
      words: `“${baseNameOf(of)}” was changed elsewhere at the same place. The note keeps what was there first; your words stand in its other text.`,
      warns: true,
      leads: { address: noteAddress(path), words: 'See them' },
    };
  return {
    words: `“${baseNameOf(of)}” was deleted while you were writing in it. Your text is kept as “${baseNameOf(path)}”.`,
    warns: true,
    leads: { address: noteAddress(path), words: 'Open it' },
  };
}

/** Whether a person wrote anything; it looks no further than the first such note. */
async function hasOwnNotes(store: NoteStore): Promise<boolean> {
  return store.has((note) => note.demo === null);
}

function engineSettings(settings: Settings, clock: Clock): LibrarySettings {
  return {
    today: clock.now().day,
    firstDayOfWeek: settings.firstDayOfWeek,
    dateStyle: settings.dateStyle,
    me: settings.me,
    workingDay: settings.workingDay,
    repeatLead: settings.repeatLead,
    raiseTag: settings.raiseTag,
    notNowTag: settings.notNowTag,
    hidesNotNow: settings.hidesNotNow,
    loosePlace: settings.loosePlace === 'journal' ? null : settings.loosePlace,
    days: daySettingsOf(settings),
  };
}

function daySettingsOf(settings: Settings): DaySettings {
  const { workingHours, dayBegins, openEndLength, planHeading, slipHeading, routineHeading, routinesCount } = settings;
  return { workingHours, dayBegins, openEndLength, planHeading, slipHeading, routineHeading, routinesCount };
}

function hear(state: State, event: EngineEvent): void {
  const { news, progressed, failed } = libraryActions;
  switch (event.is) {
    case 'news': {
      const before = state.getState().library.answers;
      state.dispatch(news(event));
      const { selection, library } = state.getState();
      const followed = followSelection(selection, before, library.answers, Object.keys(event.answers));
      if (followed !== selection) state.dispatch(selectionSlice.actions.followed(followed));
      return;
    }
    case 'progress':
      state.dispatch(progressed(event));
      return;
    case 'failed':
      state.dispatch(failed(event.message));
      return;
    case 'ready':
      state.dispatch(failed(null));
  }
}

const WRITTEN = 'recado written';
const PLACES = 'recado places';

/** How places were left is kept in the tab, and where something was written last on this device. */
function rememberedPlaces(): PlaceMemory {
  const keep = (): void => {
    if (places.written) deviceMemory.set(WRITTEN, JSON.stringify(places.written));
    tabMemory.set(PLACES, JSON.stringify(places.all()));
  };
  const places = new PlaceMemory(readCursor(deviceMemory.get(WRITTEN)), readPlaces(tabMemory.get(PLACES)), keep);
  window.addEventListener('pagehide', keep);
  return places;
}

const FRAME = 'recado frame';
/** Milliseconds after the last change of the frame until it is kept. */
const FRAME_PAUSE = 300;

/** The frame's state is kept on this device. */
function restoreFrame(state: State): void {
  state.dispatch(frameSlice.actions.restored(readFrame(deviceMemory.get(FRAME))));
  let kept = frameWords(state.getState().frame);
  let timer: ReturnType<typeof setTimeout> | null = null;
  const keep = (): void => {
    timer = null;
    const words = frameWords(state.getState().frame);
    if (words !== kept) deviceMemory.set(FRAME, words);
    kept = words;
  };
  state.subscribe(() => (timer ??= setTimeout(keep, FRAME_PAUSE)));
  window.addEventListener('pagehide', keep);
}
