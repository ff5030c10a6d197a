import { type PayloadAction, createSlice } from '@reduxjs/toolkit';
import type { RowView } from '../../../core/index/live/view';
import { foldPath } from '../../../core/note/names/path';

/** The tasks that are selected, by the ids of their rows, in the order in which they were. */
export type Selection = Record<string, RowView>;

const NOTHING: Selection = {};

/** What is selected in lists, so that one action reaches all of it. */
export const selectionSlice = createSlice({
  name: 'selection',
  initialState: NOTHING,
  reducers: {
    toggledRow: (state: Selection, { payload }: PayloadAction<RowView>): Selection => {
      const { [payload.id]: present, ...rest } = state;
      return present ? rest : { ...rest, [payload.id]: payload };
    },
    selected: (state: Selection, { payload }: PayloadAction<readonly RowView[]>): Selection => ({
      ...state,
      ...Object.fromEntries(payload.map((row) => [row.id, row])),
    }),
    /** Notes went, by their folded paths: what is selected in them cannot be acted on. */
    notesWent: (state: Selection, { payload }: PayloadAction<readonly string[]>): Selection => {
      const stays = Object.entries(state).filter(([, row]) => !payload.includes(foldPath(row.path)));
      return stays.length === Object.keys(state).length ? state : Object.fromEntries(stays);
    },
    /** The rows that are selected, found again after the lists changed. */
    followed: (_state: Selection, { payload }: PayloadAction<Selection>): Selection => payload,
    cleared: () => NOTHING,
  },
});
