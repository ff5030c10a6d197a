import { startEngine } from '../engine/client';
import type { EngineEvent } from '../engine/protocol';
import type { LibrarySettings } from '../core/index/library';
import { RecadoDatabase } from '../store/database';
import { NoteActions } from '../store/note-actions';
import { NoteStore } from '../store/note-store';
import { type Settings, readSettings } from '../store/settings';
import { actionContext } from '../features/session/action-context';
import { Clock } from '../features/session/clock';
import { frameSlice } from '../features/session/frame-slice';
import { libraryActions } from '../features/session/library-slice';
import type { Services } from '../features/session/services';
import { type State, makeState, settingsChanged } from '../features/session/state';

export interface Started {
  services: Services;
  state: State;
  firstOpening: boolean;
}

/** Opens the store, starts the engine, and joins them: what is written is indexed, what is answered is shown. */
export async function start(): Promise<Started> {
  const clock = new Clock();
  const store = new NoteStore(new RecadoDatabase(), tabName(), () => Date.now());
  const state = makeState();
  const settings = readSettings(await store.value('settings'));
  state.dispatch(settingsChanged(settings));
  const pretended = new URLSearchParams(location.search).get('now');
  if (pretended !== null && !(await hasOwnNotes(store))) clock.pretend(pretended);
  void navigator.storage?.persist?.();
  restoreFrame(state);

  const engine = startEngine(engineSettings(settings, clock), (event) => hear(state, event));
  store.listen({
    changed: (changes) =>
      void engine.apply(
        changes.map(({ path, content, seen }) => ({ path, text: content === null ? null : 'text' in content ? content.text : '', seen })),
      ),
    saving: (save) => state.dispatch(frameSlice.actions.saving(save)),
    valueChanged: (id) => {
      if (id === 'settings') void store.value('settings').then((value) => state.dispatch(settingsChanged(readSettings(value))));
    },
  });
  let told = JSON.stringify(engineSettings(settings, clock));
  const tell = (): void => {
    const next = engineSettings(state.getState().settings, clock);
    if (JSON.stringify(next) === told) return;
    told = JSON.stringify(next);
    void engine.changeSettings(next);
  };
  clock.listen(tell);
  state.subscribe(tell);

  const services: Services = {
    store,
    actions: new NoteActions(store, () => actionContext(state.getState().settings, clock.now())),
    engine,
    clock,
    saveSettings: async (next) => {
      state.dispatch(settingsChanged(next));
      await store.setValue('settings', next);
    },
  };
  return { services, state, firstOpening: (await store.value('opened')) !== true };
}

/** Whether a person wrote anything; it looks no further than the first such note. */
async function hasOwnNotes(store: NoteStore): Promise<boolean> {
  return (await store.db.notes.filter((note) => note.demo === null).first()) !== undefined;
}

function engineSettings(settings: Settings, clock: Clock): LibrarySettings {
  return {
    today: clock.now().day,
    firstDayOfWeek: settings.firstDayOfWeek,
    dateStyle: settings.dateStyle,
    me: settings.me,
    workingDay: settings.workingDay,
    repeatLead: settings.repeatLead,
    loosePlace: settings.loosePlace === 'journal' ? null : settings.loosePlace,
  };
}

function hear(state: State, event: EngineEvent): void {
  const { news, progressed, failed } = libraryActions;
  switch (event.is) {
    case 'news':
      state.dispatch(news(event));
      return;
    case 'progress':
      state.dispatch(progressed(event));
      return;
    case 'failed':
      state.dispatch(failed(event.message));
      return;
    case 'ready':
  }
}

/** Names this tab, so that Undo takes back what was done here; it lasts as long as the tab. */
function tabName(): string {
  const key = 'recado tab';
  const name = sessionStorage.getItem(key) ?? crypto.randomUUID();
  sessionStorage.setItem(key, name);
  return name;
}

const FRAME = 'recado frame';

/** The frame's state is kept on this device. */
function restoreFrame(state: State): void {
  try {
    state.dispatch(frameSlice.actions.restored(JSON.parse(localStorage.getItem(FRAME) ?? '{}') as object));
  } catch {
    localStorage.removeItem(FRAME);
  }
  state.subscribe(() => {
    const { rackOpen, besideOpen, beside, foldersClosed, folded, widths, finished, recent, pins, onTop } = state.getState().frame;
    localStorage.setItem(
      FRAME,
      JSON.stringify({ rackOpen, besideOpen, beside, foldersClosed, folded, widths, finished, recent, pins, onTop }),
    );
  });
}
