import { type PayloadAction, createSlice } from '@reduxjs/toolkit';
import type { Overview } from '../../core/index/overview';
import type { AnswerView } from '../../core/index/view';

export interface LibraryState {
  /** Null until the engine has read every note. */
  overview: Overview | null;
  answers: Record<string, AnswerView>;
  progress: { read: number; all: number };
  /** Why the engine gives no answers; null while it does. */
  failure: string | null;
}

const initialState: LibraryState = { overview: null, answers: {}, progress: { read: 0, all: 0 }, failure: null };

/** What the engine answered last. No second copy of the notes. */
export const librarySlice = createSlice({
  name: 'library',
  initialState,
  reducers: {
    news(state, { payload }: PayloadAction<{ overview: Overview; answers: Record<string, AnswerView> }>) {
      state.overview = payload.overview;
      Object.assign(state.answers, payload.answers);
    },
    progressed(state, { payload }: PayloadAction<{ read: number; all: number }>) {
      state.progress = payload;
    },
    failed(state, { payload }: PayloadAction<string>) {
      state.failure = payload;
    },
    forgotten(state, { payload }: PayloadAction<string>) {
      delete state.answers[payload];
    },
  },
});
