import { type PayloadAction, createSlice, current } from '@reduxjs/toolkit';
import type { SaveState } from '../../../store/texts/open-texts';
import type { BesideView, FrameMemory, Pin } from './frame-memory';
import { type NamesPaths, followMove } from './follow-move';
import { hidesTitle } from '../../../core/sharing/seal/sealed-names';
import type { AskedDialog, WhyQuestion } from '../acting/task-dialog';

export type { BesideView, Pin } from './frame-memory';

/** Something that happened outside what a person is doing just now. */
export interface Notice {
  words: string;
  warns?: boolean;
  /** Where it leads, and how that is called. */
  leads?: { address: string; words: string };
}

export interface FrameState {
  rackOpen: boolean;
  besideOpen: boolean;
  /** In narrow windows rack and beside are sheets over the page; at most one is open. */
  sheet: 'rack' | 'beside' | null;
  beside: BesideView;
  /** What stood there before, the last first. */
  besideBefore: BesideView[];
  save: SaveState;
  /** What is asked in a dialog, of which there is one at a time. */
  dialog: AskedDialog | null;
  /** What the background has to say, until it is shown. */
  notices: Notice[];
  /** Whether a touch or click on a row selects it. */
  selecting: boolean;
  foldersClosed: string[];
  /** Where the cursor stands in the text on the page. */
  cursor: { path: string; line: number; words: number } | null;
  /** Where finished lines stand in a note, by its path, where that differs from the settings. */
  finished: Record<string, 'stay' | 'sink' | 'hide'>;
  /** Paths of the notes that were opened, the latest first. */
  recent: string[];
  /** Lists and groups that are folded: the list's name, a line break, the group's. */
  folded: string[];
  /** Pages and views that are pinned to the rack. */
  pins: Pin[];
  /** The journal that the pages of days show, by its name; null for the one there is always. */
  journal: string | null;
  /** The names of the sides that are looked at; none looks at all. */
  sides: string[];
  /** Groups that stand on top of their list, named like folded ones. */
  onTop: string[];
  /** Widths of table columns in pixels, by list and column. */
  widths: Record<string, number>;
  /** The task and the list that the Why panel is about. */
  why: WhyQuestion | null;
}

const initialState: FrameState = {
  rackOpen: true,
  besideOpen: true,
  sheet: null,
  beside: { is: 'agenda', path: 'Agenda/Today.md' },
  besideBefore: [{ is: 'note' }, { is: 'outline' }],
  save: { is: 'saved' },
  dialog: null,
  notices: [],
  selecting: false,
  foldersClosed: [],
  cursor: null,
  finished: {},
  recent: [],
  folded: [],
  pins: [],
  journal: null,
  onTop: [],
  sides: [],
  widths: {},
  why: null,
};

const sameView = (a: BesideView, b: BesideView): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Shows something beside; what stood there is at hand next to it. */
function showBeside(state: FrameState, view: BesideView): void {
  state.besideOpen = true;
  // In a narrow window it is a sheet over the page; a wide one has none.
  state.sheet = 'beside';
  if (sameView(state.beside, view)) return;
  state.besideBefore = [state.beside, ...state.besideBefore.filter((one) => !sameView(one, view) && !sameView(one, state.beside))].slice(
    0,
    2,
  );
  state.beside = view;
}

/** The state of the frame; it is kept per device beside the notes. */
export const frameSlice = createSlice({
  name: 'frame',
  initialState,
  reducers: {
    toggled(state, { payload }: PayloadAction<'rackOpen' | 'besideOpen'>) {
      state[payload] = !state[payload];
    },
    sheetShown(state, { payload }: PayloadAction<FrameState['sheet']>) {
      state.sheet = payload;
    },
    besideChosen(state, { payload }: PayloadAction<BesideView>) {
      showBeside(state, payload);
    },
    saving(state, { payload }: PayloadAction<SaveState>) {
      state.save = payload;
    },
    noticed(state, { payload }: PayloadAction<Notice>) {
      state.notices.push(payload);
    },
    noticesShown(state) {
      state.notices = [];
    },
    dialogShown(state, { payload }: PayloadAction<FrameState['dialog']>) {
      state.dialog = payload;
      state.sheet = null;
    },
    selectingChanged(state, { payload }: PayloadAction<boolean>) {
      state.selecting = payload;
    },
    foldToggled(state, { payload }: PayloadAction<string>) {
      toggle(state.folded, payload);
    },
    /** Another journal is shown on the pages of days; null for the one there is always. */
    journalChosen(state, { payload }: PayloadAction<string | null>) {
      state.journal = payload;
    },
    pinToggled(state, { payload }: PayloadAction<Pin>) {
      const at = state.pins.findIndex((pin) => pin.address === payload.address);
      if (at === -1) state.pins.push(unsaid(payload));
      else state.pins.splice(at, 1);
    },
    /** Gives a pin another name or key; the one with that address. */
    pinChanged(state, { payload }: PayloadAction<Pin>) {
      state.pins = state.pins.map((pin) => (pin.address === payload.address ? payload : pin));
    },
    /** Puts a pin into another place of the order, from 0. */
    pinMoved(state, { payload: { address, to } }: PayloadAction<{ address: string; to: number }>) {
      const pin = state.pins.find((one) => one.address === address);
      if (!pin) return;
      const others = state.pins.filter((one) => one !== pin);
      others.splice(to, 0, pin);
      state.pins = others;
    },
    topToggled(state, { payload }: PayloadAction<string>) {
      toggle(state.onTop, payload);
    },
    sideToggled(state, { payload }: PayloadAction<string>) {
      toggle(state.sides, payload);
    },
    columnResized(state, { payload }: PayloadAction<{ column: string; width: number }>) {
      state.widths[payload.column] = payload.width;
    },
    finishedChosen(state, { payload }: PayloadAction<{ path: string; finished: 'stay' | 'sink' | 'hide' }>) {
      state.finished[payload.path] = payload.finished;
    },
    opened(state, { payload }: PayloadAction<string>) {
      state.recent = [payload, ...state.recent.filter((path) => path !== payload)].slice(0, 60);
    },
    cursorMoved(state, { payload }: PayloadAction<FrameState['cursor']>) {
      state.cursor = payload;
    },
    whyAsked(state, { payload }: PayloadAction<WhyQuestion>) {
      state.why = payload;
      showBeside(state, { is: 'why' });
    },
    folderToggled(state, { payload }: PayloadAction<string>) {
      toggle(state.foldersClosed, payload);
    },
    /** Notes have other paths. */
    notesMoved(state, { payload }: PayloadAction<readonly { from: string; to: string }[]>) {
      Object.assign(
        state,
        payload.reduce<NamesPaths>((frame, { from, to }) => followMove(frame, from, to), current(state)),
      );
    },
    restored(state, { payload }: PayloadAction<FrameMemory>) {
      Object.assign(state, payload);
    },
  },
});

/** What is kept of a pin where the title of its note is hidden. */
const unsaid = (pin: Pin): Pin => (hidesTitle(decodeURI(pin.address).split('?')[0] ?? '') ? { ...pin, title: 'A sealed note' } : pin);

function toggle(names: string[], name: string): void {
  const at = names.indexOf(name);
  if (at === -1) names.push(name);
  else names.splice(at, 1);
}
