import { type PayloadAction, configureStore, createSlice } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { DEFAULT_SETTINGS, type Settings } from '../../../store/device/settings';
import { frameSlice } from './frame-slice';
import { selectionSlice } from './selection-slice';
import { libraryReducer } from './library-slice';

const settingsSlice = createSlice({
  name: 'settings',
  initialState: DEFAULT_SETTINGS,
  reducers: {
    settingsChanged: (_state, { payload }: PayloadAction<Settings>) => payload,
  },
});

export const { settingsChanged } = settingsSlice.actions;

/** The Redux store: answers, the frame's state and the settings. */
export function makeState() {
  return configureStore({
    reducer: { library: libraryReducer, frame: frameSlice.reducer, selection: selectionSlice.reducer, settings: settingsSlice.reducer },
    // Answers may hold tens of thousands of rows; walking them on every action would stall the page.
    middleware: (defaults) => defaults({ immutableCheck: false, serializableCheck: false }),
  });
}

export type State = ReturnType<typeof makeState>;
export type RootState = ReturnType<State['getState']>;
export const useAppDispatch = useDispatch.withTypes<State['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();
